<script setup lang="ts">
import { LEVEL_REASONS } from '#core/climb'
import { HOLD_MS } from '~/composables/perform/useHold'

/** What the device is set to: one tap down or up. Above the mark of the fitted rung + is held; above what a rule or the maker allows there is nothing. */
const props = defineProps<{ stepId: string }>()
const { level, places, place, value, last, lastSet, tap, because } = useDeviceLevel(
  () => props.stepId,
)
const MORE_PLACES = 1
const hold = useHold(HOLD_MS, () => void tap('higher'))
const isAtMark = computed(() => level.value !== undefined && value.value! >= level.value.mark)
const isAtMost = computed(() => level.value !== undefined && value.value! >= level.value.most)
const isAtLeast = computed(() => level.value !== undefined && value.value! <= level.value.least)
const MOST_WORDS = {
  rule: 'No higher today: the rules of this client stop here.',
  maker: 'The device goes no higher.',
  fitted: 'No deeper than fitted: deeper is another treatment.',
} as const
/** What it was set to last time, where that was otherwise than fitted. */
const lastWords = computed(() => last.value && `Last time ${last.value.value}: ${last.value.why}.`)
const boundWords = computed(() => {
  if (isAtMost.value) return MOST_WORDS[level.value!.mostBy]
  if (isAtMark.value) return 'As fitted. One step more only where it is not felt: hold +.'
  return isAtLeast.value ? 'The device goes no lower.' : ''
})
function up() {
  if (!isAtMark.value) void tap('higher')
}
</script>

<template>
  <section v-if="level" class="border-t border-hair pt-2.5" aria-label="What it is set to">
    <div class="flex items-center gap-3">
      <button
        type="button"
        class="rung !min-h-[64px] w-20 text-3xl"
        aria-label="Lower"
        v-off="isAtLeast && 'The device goes no lower.'"
        @click="tap('lower')"
      >
        −
      </button>
      <p class="text-center min-w-[8rem]" aria-live="polite">
        <span class="display text-4xl tabular-nums">{{ value }}</span>
        <span class="text-lg text-soft">{{ ` ${level.unit}` }}</span>
        <span class="block text-sm text-soft">{{ level.setting }}</span>
      </p>
      <button
        type="button"
        class="rung !min-h-[64px] w-20 text-3xl relative overflow-hidden touch-none"
        aria-label="Higher"
        v-off="isAtMost && 'No higher: a rule or the maker allows no more.'"
        @click="up"
        @pointerdown="isAtMark && hold.start()"
        @pointerup="hold.stop"
        @pointerleave="hold.stop"
        @keydown.enter="isAtMark && hold.start()"
        @keyup.enter="hold.stop"
        @contextmenu.prevent
      >
        <span
          class="absolute inset-y-0 left-0 bg-now/30"
          :style="{ width: `${hold.progress.value * 100}%` }"
          aria-hidden="true"
        />
        <span class="relative">+</span>
      </button>
      <div class="min-w-0 flex-1">
        <p v-if="lastWords" class="text-base leading-snug">{{ lastWords }}</p>
        <p v-if="boundWords" class="text-base text-soft leading-snug">{{ boundWords }}</p>
        <div v-if="lastSet" class="flex flex-wrap gap-1.5" aria-label="Why" role="group">
          <button
            v-for="why in LEVEL_REASONS"
            :key="why"
            type="button"
            class="pick !min-h-[44px]"
            :aria-pressed="lastSet.why === why"
            @click="because(why)"
          >
            {{ why }}
          </button>
        </div>
      </div>
    </div>
    <div
      v-if="places.length > MORE_PLACES"
      class="flex flex-wrap gap-1.5 mt-2"
      role="radiogroup"
      aria-label="Where it is set so"
    >
      <button
        type="button"
        role="radio"
        class="pick !min-h-[48px]"
        :aria-checked="place === ''"
        @click="place = ''"
      >
        everywhere
      </button>
      <button
        v-for="one in places"
        :key="one.words"
        type="button"
        role="radio"
        class="pick !min-h-[48px]"
        :aria-checked="place === one.words"
        @click="place = one.words"
      >
        {{ one.words }}
      </button>
    </div>
  </section>
</template>
