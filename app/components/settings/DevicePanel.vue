<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { KEY_USES, keyWords, type KeyUse } from '~/support/perform/keys'

/** What is of this device alone: its light, and the keys or pedals at its side. */
const { current, flip } = useLight()
const { keys, teach } = useKeyMap()
const LIGHTS = [
  { value: 'day', words: 'Day light' },
  { value: 'room', words: 'Room light' },
] as const
const waitsFor = ref<KeyUse>()
const trouble = ref('')
useEventListener(
  'keydown',
  (event: KeyboardEvent) => {
    const use = waitsFor.value
    if (!use) return
    event.preventDefault()
    event.stopPropagation()
    waitsFor.value = undefined
    if (event.code === 'Escape') return
    trouble.value = teach(use, event.code)
      ? ''
      : `${keyWords(event.code)} is needed for something else. Teach another key.`
  },
  { capture: true },
)
const shown = (use: KeyUse, usual: string) =>
  [usual, keys.value[use]].filter(Boolean).map(keyWords).join(' or ') || 'no key'
</script>

<template>
  <div class="max-w-3xl flex flex-col gap-7">
    <section aria-label="Light">
      <h3 class="text-xl mb-2">Light</h3>
      <RadioPicks
        label="Light"
        :value="current"
        :options="LIGHTS"
        @change="$event !== current && flip()"
      />
      <p class="text-soft mt-2"
        >Room light is dark and quiet, for a room with somebody on the bed.</p
      >
    </section>
    <section aria-label="Keys and pedals" class="border-t border-line pt-4">
      <h3 class="text-xl">Keys and pedals</h3>
      <p class="text-soft mb-2">
        A pedal is a keyboard with one or two keys. Touch <em>Teach</em>, then press it: in Perform
        it does that from then on.
      </p>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <ul>
        <li
          v-for="{ use, words, usual } in KEY_USES"
          :key="use"
          class="flex items-center gap-4 min-h-[60px] border-b border-hair"
        >
          <span class="flex-1">{{ words }}</span>
          <span class="font-semibold">{{ shown(use, usual) }}</span>
          <button type="button" class="rung w-44" @click="waitsFor = use">
            {{ waitsFor === use ? 'Press it now …' : 'Teach' }}
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>
