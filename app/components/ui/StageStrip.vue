<script setup lang="ts">
import { preloadStages, STAGES } from '~/support/stages'

const props = defineProps<{ visitId: string }>()
const route = useRoute()
const isHere = (path: string) => route.path.endsWith(`/${path}`)
const to = (path: string) => `/visits/${props.visitId}/${path}`
onMounted(preloadStages)
</script>

<template>
  <ol aria-label="Stages of the visit" class="flex items-stretch border-y border-line h-11">
    <li
      v-for="(one, at) in STAGES"
      :key="one.path"
      class="flex"
      :class="at > 0 && 'border-l border-hair'"
    >
      <NuxtLink
        :to="to(one.path)"
        :aria-current="isHere(one.path) ? 'step' : undefined"
        class="px-4 flex items-center"
        :class="isHere(one.path) ? 'bg-ink text-ground font-semibold' : 'text-soft hover:bg-sunk'"
      >
        {{ one.name }}
      </NuxtLink>
    </li>
  </ol>
</template>
