<script setup lang="ts">
import { RULE_BOOK } from '#core/safety'

/** A rule's id, leading to its page; what stands outside the book (time, pairs of steps) is only named. */
const props = defineProps<{ id: string }>()
const inBook = computed(() => RULE_BOOK.some((rule) => rule.id === props.id))
</script>

<template>
  <NuxtLink v-if="inBook" class="underline underline-offset-2" :to="`/rules?rule=${id}`">{{
    id
  }}</NuxtLink>
  <span v-else>{{ id }}</span>
</template>
