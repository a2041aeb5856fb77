<script setup lang="ts">
import { NuxtLink } from '#components'
import { placeOf, type FirstThing } from '~/support/today/board'

/** What must be done before the rest of the day, each where it is done. */
defineProps<{ items: readonly FirstThing[] | undefined }>()
const SIGNS: Readonly<Record<FirstThing['sign'], string>> = {
  ...{ test: '◌', call: '☏', out: '◔', twice: '⇄' },
  ...{ sign: '✎', paper: '▤', copy: '⧉' },
}
</script>

<template>
  <section aria-label="Do first">
    <h2 class="text-2xl mb-1">Do first</h2>
    <ul>
      <li v-for="item in items" :key="item.words" class="border-b border-hair">
        <component
          :is="placeOf(item.about) ? NuxtLink : 'span'"
          :to="placeOf(item.about)"
          class="flex gap-3 items-baseline min-h-[44px] py-2.5"
          :class="placeOf(item.about) && 'hover:bg-sunk'"
        >
          <span class="w-5 text-mind text-center shrink-0" aria-hidden="true">{{
            SIGNS[item.sign]
          }}</span>
          {{ item.words }}
        </component>
      </li>
    </ul>
    <p v-if="!items" class="text-soft py-1.5">Looking …</p>
    <p v-else-if="items.length === 0" class="text-soft py-1.5">Nothing waits.</p>
  </section>
</template>
