<script setup lang="ts">
import type { SkinAnswer } from '#core/climb'

const answer = defineModel<SkinAnswer>({ required: true })
defineProps<{ disabled: boolean }>()
const HOURS = [
  { value: 0, word: 'none' },
  { value: 2, word: 'under 2 h' },
  { value: 12, word: 'half a day' },
  { value: 24, word: 'a day' },
  { value: 48, word: 'two days' },
  { value: 96, word: 'longer' },
] as const
const SIGNS = [
  { key: 'swelling', word: 'Swelling' },
  { key: 'blisters', word: 'Blisters' },
  { key: 'weeping', word: 'Weeping' },
  { key: 'burn', word: 'A burn' },
  { key: 'darkMark', word: 'New dark mark' },
  { key: 'coldSore', word: 'Cold sore' },
] as const
const set = (change: Partial<SkinAnswer>) => {
  answer.value = { ...answer.value, ...change }
}
</script>

<template>
  <div class="flex flex-col gap-4">
    <div>
      <p id="a-red" class="mb-1">Redness, of 4</p>
      <div role="radiogroup" aria-labelledby="a-red" class="flex gap-1">
        <button
          v-for="n in 5"
          :key="n"
          type="button"
          role="radio"
          class="pick flex-1"
          :aria-checked="answer.redness === n - 1"
          :disabled="disabled"
          @click="set({ redness: n - 1 })"
        >
          {{ n - 1 }}
        </button>
      </div>
    </div>
    <div>
      <p id="a-hours" class="mb-1">How long it lasted</p>
      <div role="radiogroup" aria-labelledby="a-hours" class="flex flex-wrap gap-1">
        <button
          v-for="hour in HOURS"
          :key="hour.value"
          type="button"
          role="radio"
          class="pick"
          :aria-checked="answer.rednessHours === hour.value"
          :disabled="disabled"
          @click="set({ rednessHours: hour.value })"
        >
          {{ hour.word }}
        </button>
      </div>
    </div>
    <div>
      <p id="a-sting" class="mb-1">Stinging, of 10</p>
      <div role="radiogroup" aria-labelledby="a-sting" class="grid grid-cols-6 gap-1">
        <button
          v-for="n in 11"
          :key="n"
          type="button"
          role="radio"
          class="pick !px-0"
          :aria-checked="answer.stinging === n - 1"
          :disabled="disabled"
          @click="set({ stinging: n - 1 })"
        >
          {{ n - 1 }}
        </button>
      </div>
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
    </div>
  </div>
</template>
