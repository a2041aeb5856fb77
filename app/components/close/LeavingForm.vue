<script setup lang="ts">
import type { LeavingSkin } from '#core/climb'
import { scaleTo } from '~/support/options'

/** What the skin shows and feels as the client leaves. Nothing is preset, and nothing is asked that nobody can know yet. */
const skin = defineModel<LeavingSkin | null>({ required: true })
defineProps<{ disabled: boolean }>()
const UNSAID: LeavingSkin = {
  ...{ redness: null, stinging: null },
  ...{ swelling: false, blisters: false, weeping: false, burn: false },
}
const SIGNS = [
  { key: 'swelling', word: 'Swelling' },
  { key: 'blisters', word: 'Blisters' },
  { key: 'weeping', word: 'Weeping' },
  { key: 'burn', word: 'A burn' },
] as const
const SCALES = [
  { key: 'redness', words: 'Redness now, of 4', most: 4, grid: 'grid-cols-5' },
  { key: 'stinging', words: 'Stinging now, of 10', most: 10, grid: 'grid-cols-6' },
] as const
const isNothing = computed(() => {
  const said = skin.value
  return said?.redness === 0 && said.stinging === 0 && !SIGNS.some(({ key }) => said[key])
})
const set = (change: Partial<LeavingSkin>) => {
  skin.value = { ...(skin.value ?? UNSAID), ...change }
}
/** Touched again, it is unsaid. */
const said = (key: 'redness' | 'stinging', value: number) =>
  set({ [key]: skin.value?.[key] === value ? null : value })
const nothing = () => {
  skin.value = isNothing.value ? null : { ...UNSAID, redness: 0, stinging: 0 }
}
</script>

<template>
  <div class="flex flex-col gap-4">
    <button
      type="button"
      class="pick w-full !min-h-[56px] text-lg"
      :aria-pressed="isNothing"
      :disabled="disabled"
      @click="nothing"
    >
      Nothing seen, nothing felt
    </button>
    <div v-for="scale in SCALES" :key="scale.key">
      <p class="mb-1" aria-hidden="true">{{ scale.words }}</p>
      <RadioPicks
        class="!grid [&>.pick]:!px-0"
        :class="scale.grid"
        :label="scale.words"
        :value="skin?.[scale.key] ?? undefined"
        :options="scaleTo(scale.most)"
        :disabled="disabled"
        @change="said(scale.key, $event)"
      />
    </div>
    <div role="group" aria-label="What is there now" class="grid grid-cols-4 gap-1">
      <button
        v-for="sign in SIGNS"
        :key="sign.key"
        type="button"
        class="pick pick-mind !px-1"
        :aria-pressed="skin?.[sign.key] ?? false"
        :disabled="disabled"
        @click="set({ [sign.key]: !skin?.[sign.key] })"
      >
        {{ sign.word }}
      </button>
    </div>
  </div>
</template>
