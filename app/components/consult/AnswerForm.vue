<script setup lang="ts">
import { AFTER_SIGNS, AFTER_WORDS, type SkinAnswer } from '#core/climb'
import { scaleTo } from '~/support/options'

const answer = defineModel<SkinAnswer>({ required: true })
defineProps<{ disabled: boolean }>()
const HOURS = [
  { value: 0, words: 'none' },
  { value: 2, words: 'under 2 h' },
  { value: 12, words: 'half a day' },
  { value: 24, words: 'a day' },
  { value: 48, words: 'two days' },
  { value: 96, words: 'longer' },
] as const
const SIGNS = [
  { key: 'swelling', word: 'Swelling' },
  { key: 'blisters', word: 'Blisters' },
  { key: 'weeping', word: 'Weeping' },
  { key: 'burn', word: 'A burn' },
  { key: 'darkMark', word: 'New dark mark' },
  { key: 'coldSore', word: 'Cold sore' },
] as const
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)
const set = (change: Partial<SkinAnswer>) => {
  answer.value = { ...answer.value, ...change }
}
</script>

<template>
  <div class="flex flex-col gap-4">
    <div>
      <p class="mb-1" aria-hidden="true">Redness, of 4</p>
      <RadioPicks
        class="[&>.pick]:flex-1"
        label="Redness, of 4"
        :value="answer.redness"
        :options="scaleTo(4)"
        :disabled="disabled"
        @change="set({ redness: $event })"
      />
    </div>
    <div>
      <p class="mb-1" aria-hidden="true">How long it lasted</p>
      <RadioPicks
        class="flex-wrap"
        label="How long it lasted"
        :value="answer.rednessHours"
        :options="HOURS"
        :disabled="disabled"
        @change="set({ rednessHours: $event })"
      />
    </div>
    <div>
      <p class="mb-1" aria-hidden="true">Stinging, of 10</p>
      <RadioPicks
        class="!grid grid-cols-6 [&>.pick]:!px-0"
        label="Stinging, of 10"
        :value="answer.stinging"
        :options="scaleTo(10)"
        :disabled="disabled"
        @change="set({ stinging: $event })"
      />
    </div>
    <div role="group" aria-label="What came after" class="grid grid-cols-3 gap-1">
      <button
        v-for="sign in SIGNS"
        :key="sign.key"
        type="button"
        class="pick pick-mind"
        :aria-pressed="answer[sign.key]"
        :disabled="disabled"
        @click="set({ [sign.key]: !answer[sign.key] })"
      >
        {{ sign.word }}
      </button>
      <PickMany
        :chosen="answer.after"
        :options="AFTER_SIGNS"
        :words="(sign) => capital(AFTER_WORDS[sign])"
        @change="set({ after: $event })"
      />
      <button
        type="button"
        class="pick"
        :aria-pressed="answer.still"
        :disabled="disabled"
        @click="set({ still: !answer.still })"
      >
        Still there
      </button>
    </div>
    <div>
      <p class="mb-1" aria-hidden="true">Where, if not everywhere</p>
      <div role="group" aria-label="Where" class="flex flex-wrap gap-1">
        <PlacePicks :zones="answer.zones" :disabled="disabled" @change="set({ zones: $event })" />
      </div>
    </div>
  </div>
</template>
