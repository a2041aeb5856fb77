<script setup lang="ts">
import type { Sketch } from '#core/adapt'
import { halfMinutes } from '~/support/time'

/** The name of the card, its state, and how long the ladder is. */
const props = defineProps<{
  name: string
  version: number | undefined
  saved: 'same' | 'saving' | 'saved' | 'here'
  sketch: Sketch | undefined
  mayWrite: boolean
}>()
const emit = defineEmits<{ rename: [name: string] }>()
const SAVED = {
  same: 'As published',
  saving: 'Saving …',
  saved: 'Draft saved',
  here: 'Draft kept on this tablet',
} as const
const versionWords = computed(() =>
  props.version === undefined ? 'not published' : `version ${props.version}`,
)
const minutes = (seconds: number | undefined) =>
  seconds === undefined ? '–' : halfMinutes(seconds)
function rename(event: Event) {
  const field = event.target as HTMLInputElement
  const name = field.value.trim()
  if (name) emit('rename', name)
  else field.value = props.name
}
</script>

<template>
  <header class="flex items-end gap-5 mb-3 no-print">
    <div class="min-w-0 flex-1">
      <NuxtLink to="/protocols" class="text-sm text-link">Protocols</NuxtLink>
      <h1 class="sr-only">
        {{ name }}
      </h1>
      <input
        class="display text-4xl w-full bg-transparent border-b border-transparent hover:border-line focus:border-now truncate"
        v-shown="name"
        aria-label="Name of the protocol"
        maxlength="120"
        :readonly="!mayWrite"
        @change="rename"
      />
    </div>
    <p class="text-sm text-soft pb-1.5 whitespace-nowrap" aria-live="polite">
      {{ versionWords }} ·
      {{ SAVED[saved] }}
    </p>
    <div class="flex items-baseline gap-1.5 whitespace-nowrap" aria-label="Length of the ladder">
      <span class="display text-4xl" data-testid="total">
        {{ minutes(sketch?.totalS) }}
      </span>
      <span>min</span>
      <span class="text-soft ml-2" data-testid="free">
        {{ minutes(sketch?.handsFreeS) }} hands free</span
      >
    </div>
  </header>
</template>
