<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import type { CompileInput, FittedPlan, SlotOptions, SlotWish } from '#core/adapt'
import { halfMinutes } from '~/support/time'

const props = defineProps<{ input: CompileInput; plan: FittedPlan; disabled: boolean }>()
const emit = defineEmits<{ wish: [wish: SlotWish] }>()
const SLOTS = [30, 40, 50, 60, 70, 80, 90, 105, 120, 150, 180] as const
const wish = computed<SlotWish>(() => props.input.fit ?? { mustStay: [], grow: false })
const minutes = computed(() => wish.value.slotMinutes ?? props.input.slotMinutes)
const found = shallowRef<SlotOptions>()
const looking = ref(false)
let latest = 0

function put(more: Partial<SlotWish>) {
  const { slotMinutes, ...rest } = { ...wish.value, ...more }
  emit(
    'wish',
    slotMinutes === undefined || slotMinutes === props.input.slotMinutes
      ? rest
      : { ...rest, slotMinutes },
  )
}
const toLength = (value: number) =>
  put({ slotMinutes: Math.max(30, Math.min(180, Math.round(value / 5) * 5)) })
const toggle = (id: string) =>
  put({
    mustStay: wish.value.mustStay.includes(id)
      ? wish.value.mustStay.filter((stepId) => stepId !== id)
      : [...wish.value.mustStay, id],
  })
const look = useDebounceFn(async () => {
  const mine = ++latest
  looking.value = true
  const reply = await useFitter().slotOptions(
    props.input,
    [...new Set([...SLOTS, minutes.value])].sort((a, b) => a - b),
  )
  if (mine !== latest) return
  found.value = reply
  looking.value = false
}, 250)
watch(
  () => props.plan,
  () => {
    void look()
  },
  { immediate: true },
)
const isTooLong = computed(
  () => props.plan.fit?.kind === 'infeasible' || props.plan.fit?.kind === 'unfinished',
)
const tooLongWords = computed(() => {
  const { fit } = props.plan
  if (fit?.kind === 'unfinished')
    return 'Nothing that ends in time was found before the search ended.'
  const least = fit?.leastS === undefined ? 'longer' : `${halfMinutes(fit.leastS)} min at the least`
  return `What must be there takes ${least}.`
})
const percent = (worth: number | undefined) =>
  worth === undefined || !found.value
    ? undefined
    : Math.min(100, Math.round((100 * worth) / found.value.fullWorth))
const points = computed(() =>
  (found.value?.frontier ?? []).map((point) => ({
    minutes: point.minutes,
    percent: percent(point.worth),
    dropped: point.dropped,
  })),
)
const atMost = computed(() => found.value?.frontier.some((point) => point.gap > 0.01) ?? false)
const alternativeWords = (alternative: SlotOptions['alternatives'][number]) =>
  [
    alternative.dropped.length > 0 ? `without ${alternative.dropped.join(', ')}` : 'everything',
    alternative.swapped.length > 0 ? `with ${alternative.swapped.join(', ')}` : '',
    alternative.shortened.length > 0 ? `shorter: ${alternative.shortened.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('; ')
</script>

<template>
  <div class="flex-1 min-h-0 overflow-y-auto pr-2" aria-label="Time" role="region">
    <div class="flex items-center gap-2 py-3">
      <button
        type="button"
        class="pick"
        aria-label="Five minutes less"
        :disabled="disabled"
        v-off="minutes <= 30 && 'No visit is shorter than half an hour.'"
        @click="toLength(minutes - 5)"
      >
        −
      </button>
      <input
        type="range"
        min="30"
        max="180"
        step="5"
        class="flex-1"
        :value="minutes"
        :disabled="disabled"
        aria-label="Slot in minutes"
        @change="toLength(Number(($event.target as HTMLInputElement).value))"
      />
      <button
        type="button"
        class="pick"
        aria-label="Five minutes more"
        :disabled="disabled"
        v-off="minutes >= 180 && 'No visit is longer than three hours.'"
        @click="toLength(minutes + 5)"
      >
        +
      </button>
      <span class="display text-3xl w-24 text-right whitespace-nowrap">
        {{ minutes }}<span class="text-base font-sans"> min</span>
      </span>
    </div>
    <p v-if="isTooLong" role="alert" class="mb-2 px-3 py-2 border-l-4 border-mind bg-mind-ground">
      {{ tooLongWords }} Take a “must stay” back, or give it more time.
    </p>
    <p v-else class="text-sm text-soft mb-1">
      {{
        plan.fit
          ? `Keeps ${Math.round((100 * plan.fit.worth) / plan.fit.fullWorth)} % of what the client wants${plan.fit.kind === 'feasible' ? `, at most ${Math.ceil((100 * plan.fit.gapWorth) / plan.fit.fullWorth)} % below the best` : ', and nothing keeps more'}.`
          : 'Everything fits as it is.'
      }}<template v-if="minutes !== input.slotMinutes">
        Booked are {{ input.slotMinutes }} min.
        <button
          type="button"
          class="text-link"
          :disabled="disabled"
          @click="put({ slotMinutes: input.slotMinutes })"
        >
          Back to it
        </button>
      </template>
    </p>
    <div class="border-t border-hair pt-2">
      <div class="flex items-baseline justify-between">
        <h2 class="text-lg">Minutes against what is kept</h2>
        <span class="text-sm text-soft" role="status">{{ looking ? 'Looking …' : '' }}</span>
      </div>
      <LazyFrontierChart
        v-if="points.length > 0"
        :points="points"
        :slot-minutes="minutes"
        @choose="disabled || toLength($event)"
      />
      <details class="text-sm mb-2">
        <summary class="text-link">
          As a table{{ atMost ? ' (some figures are not proven)' : '' }}
        </summary>
        <table class="mt-1">
          <thead>
            <tr class="text-soft">
              <th class="text-left pr-6 font-normal">slot</th>
              <th class="text-left pr-6 font-normal">kept</th>
              <th class="text-left font-normal">left out</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="point in points" :key="point.minutes">
              <td class="pr-6">{{ point.minutes }} min</td>
              <td class="pr-6">
                {{ point.percent === undefined ? 'too short' : `${point.percent} %` }}
              </td>
              <td>{{ point.percent === undefined ? '' : point.dropped }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </div>
    <label class="flex items-center gap-2 min-h-[44px]">
      <input
        type="checkbox"
        :checked="wish.grow"
        :disabled="disabled"
        @change="put({ grow: ($event.target as HTMLInputElement).checked })"
      />
      give spare time to massage, light and enhancements
    </label>
    <div
      v-if="found && found.alternatives.length > 0 && plan.fit && !isTooLong"
      class="border-t border-hair pt-2"
    >
      <h2 class="text-lg mb-1">Or rather</h2>
      <ul>
        <li
          v-for="(alternative, at) in found.alternatives"
          :key="at"
          class="flex items-center gap-3 py-1.5 border-b border-hair"
        >
          <span class="flex-1 text-sm">
            {{ alternativeWords(alternative) }}
          </span>
          <span class="text-sm text-soft whitespace-nowrap">
            {{ percent(alternative.worth) }} %, {{ halfMinutes(alternative.totalS) }} min</span
          >
          <button
            v-if="alternative.keepInstead.length > 0"
            type="button"
            class="pick text-sm"
            :disabled="disabled"
            @click="put({ mustStay: [...new Set([...wish.mustStay, ...alternative.keepInstead])] })"
          >
            This one
          </button>
        </li>
      </ul>
    </div>
    <div v-if="found" class="border-t border-hair pt-2 mt-2">
      <h2 class="text-lg mb-1">Must stay</h2>
      <p v-if="found.optional.length === 0" class="text-soft text-sm">
        Every step of this card is in every visit.
      </p>
      <div class="flex flex-wrap gap-1.5">
        <button
          v-for="step in found.optional"
          :key="step.id"
          type="button"
          class="pick !min-h-[38px] text-sm"
          :aria-pressed="wish.mustStay.includes(step.id)"
          :disabled="disabled"
          @click="toggle(step.id)"
        >
          {{ step.title }}
        </button>
      </div>
    </div>
  </div>
</template>
