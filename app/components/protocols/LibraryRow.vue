<script setup lang="ts">
import type { Shelved } from '~/support/protocols/library'
import { halfMinutes, shortDate } from '~/support/time'

/** One protocol of the library: its name and state, its rungs drawn to one scale for all, and what is done with it. */
const props = defineProps<{ protocol: Shelved; longestS: number; mayWrite: boolean }>()
const emit = defineEmits<{ copy: []; 'put-away': [] }>()
const WIDTH = 320
const toScale = (seconds: number) => (WIDTH * seconds) / props.longestS
const bars = computed(() => {
  let before = 0
  return props.protocol.bars.map(({ hands, seconds }) => {
    const x = toScale(before)
    before += seconds
    return { hands, x, width: Math.max(0.8, toScale(seconds) - 0.6) }
  })
})
const stateWords = computed(() => {
  const { version, publishedAt, draftAt, note } = props.protocol
  const published = publishedAt ? `, ${shortDate(publishedAt)}` : ''
  const state = version ? `version ${version}${published}` : 'not published'
  return [state, draftAt ? 'a draft waits' : '', note ?? ''].filter(Boolean).join(' · ')
})
</script>

<template>
  <NuxtLink :to="`/protocols/${protocol.id}`" class="py-2.5 min-w-0">
    <span class="text-lg block truncate">
      {{ protocol.name }}
    </span>
    <span class="text-sm text-soft block truncate">
      {{ stateWords }}
    </span>
  </NuxtLink>
  <svg
    :width="WIDTH"
    height="22"
    :viewBox="`0 0 ${WIDTH} 22`"
    class="max-w-full"
    aria-hidden="true"
  >
    <rect
      v-for="(bar, at) in bars"
      :key="at"
      :x="bar.x"
      :y="bar.hands ? 5 : 2"
      :width="bar.width"
      :height="bar.hands ? 12 : 18"
      :fill="bar.hands ? 'var(--hands)' : 'var(--skin)'"
      :stroke="bar.hands ? 'none' : 'var(--skin-edge)'"
      stroke-width="0.8"
    />
  </svg>
  <span class="text-right whitespace-nowrap">
    <span class="display text-2xl">{{ halfMinutes(protocol.workS) }}</span> min
    <span class="block text-sm text-soft">{{ protocol.steps }} steps</span>
  </span>
  <LibraryMenu
    v-if="mayWrite"
    :protocol="protocol"
    @copy="emit('copy')"
    @put-away="emit('put-away')"
  />
</template>
