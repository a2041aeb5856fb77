<script setup lang="ts">
import type { Played, strokeNow } from '#core/perform'
import { movementWords } from '~/ladder/perform-words'
import { PATH_WORDS } from '#core/protocol'

/** The movement in hand, stroke by stroke, and what comes then. It advances by its tempo; nobody has to touch it. */
const props = defineProps<{
  now: ReturnType<typeof strokeNow>
  then: readonly Played[]
  drives: boolean
}>()
const emit = defineEmits<{ say: [way: 'again' | 'enough'] }>()
const thenWords = computed(() =>
  props.then.map(({ movement, strokes, side }) =>
    side === 'second' ? `the other side ×${strokes}` : `${PATH_WORDS[movement.path]} ×${strokes}`,
  ),
)
/** More than these in one row would be too small to be read off. */
const BLOCKS = 40
const stateOf = (stroke: number): string => {
  if (stroke < props.now!.stroke) return 'bg-now border-now'
  return stroke === props.now!.stroke ? 'border-now beat' : 'border-line'
}
</script>

<template>
  <section
    class="border-t border-hair mt-2 pt-2 grid sm:grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-2 items-center"
    aria-label="The movement"
    aria-live="off"
  >
    <template v-if="now">
      <div class="min-w-0">
        <p class="text-lg font-semibold first-letter:uppercase">{{ movementWords(now.part) }}</p>
        <p class="flex max-sm:flex-wrap items-center gap-1 mt-1">
          <template v-if="now.part.strokes <= BLOCKS">
            <span
              v-for="stroke in now.part.strokes"
              :key="`${now.part.fromS}-${stroke}`"
              class="h-4 flex-1 max-w-6 min-w-0 max-sm:hidden border relative overflow-hidden"
              :class="stateOf(stroke)"
              :style="{ '--stroke': `${now.part.strokeS}s` }"
              aria-hidden="true"
            />
          </template>
          <span class="text-lg text-now font-semibold ml-1 tabular-nums sm:whitespace-nowrap">
            {{ now.stroke }} of {{ now.part.strokes }} · {{ now.part.movement.pressure }}
          </span>
        </p>
        <p class="text-base text-soft mt-1">
          {{ thenWords.length > 0 ? `then ${thenWords.join(' · ')}` : 'the last one' }}
        </p>
      </div>
      <div v-if="drives" class="flex gap-2 max-sm:*:flex-1">
        <button
          type="button"
          class="rung !min-h-[64px] text-lg flex-col !gap-0 w-28"
          @click="emit('say', 'again')"
        >
          Again <span class="text-sm text-soft">+1 stroke</span>
        </button>
        <button
          type="button"
          class="rung !min-h-[64px] text-lg flex-col !gap-0 w-28"
          @click="emit('say', 'enough')"
        >
          Enough <span class="text-sm text-soft">next one</span>
        </button>
      </div>
    </template>
    <p v-else class="text-lg text-soft"
      >All movements done; slowly, as you like, until the clock.</p
    >
  </section>
</template>

<style scoped>
.beat::before {
  content: '';
  position: absolute;
  inset: 0;
  background: var(--now);
  transform-origin: left;
  animation: fill var(--stroke) linear forwards;
}
@keyframes fill {
  from {
    transform: scaleX(0);
  }
}
@media (prefers-reduced-motion: reduce) {
  .beat::before {
    animation: none;
    transform: scaleX(0.5);
  }
}
</style>
