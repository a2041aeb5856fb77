<script setup lang="ts">
import { ArrowDown, ArrowUp } from 'lucide-vue-next'
import type { Concern, GoalDetails } from '#core/client'
import type { ZoneId } from '#core/skin'
import { GOAL_WORDS } from '~/support/goals'

/** Goals in their order, each with the places it is about and whether it is the client's own wish. */
const props = defineProps<{
  concerns: readonly Concern[]
  details: GoalDetails
  disabled: boolean
}>()
const emit = defineEmits<{ rank: [concerns: Concern[], details: GoalDetails] }>()
const left = computed(() =>
  (Object.keys(GOAL_WORDS) as Concern[]).filter((concern) => !props.concerns.includes(concern)),
)
const put = (concerns: readonly Concern[], details: GoalDetails = props.details) =>
  emit(
    'rank',
    [...concerns],
    Object.fromEntries(
      Object.entries(details).filter(([concern]) => concerns.includes(concern as Concern)),
    ),
  )
function move(at: number, by: -1 | 1) {
  const next = [...props.concerns]
  const [concern] = next.splice(at, 1)
  next.splice(at + by, 0, concern!)
  put(next)
}
function putPlaces(concern: Concern, zones: readonly ZoneId[]) {
  const { zones: _, ...rest } = props.details[concern] ?? {}
  const detail = zones.length > 0 ? { ...rest, zones: [...zones] } : rest
  put(props.concerns, { ...props.details, [concern]: detail })
}
function flipWish(concern: Concern) {
  const { wish, ...rest } = props.details[concern] ?? {}
  const detail = wish ? rest : { ...rest, wish: true as const }
  put(props.concerns, { ...props.details, [concern]: detail })
}
</script>

<template>
  <section aria-label="Goals">
    <h2 class="text-xl border-b border-line pb-2">What the client wants, the most wanted first</h2>
    <ol>
      <li
        v-for="(concern, at) in concerns"
        :key="concern"
        class="flex flex-wrap items-center gap-3 py-2 border-b border-hair"
      >
        <span class="display text-2xl w-8">
          {{ at + 1 }}
        </span>
        <span class="flex-1 font-semibold">
          {{ GOAL_WORDS[concern] }}
        </span>
        <button
          type="button"
          class="pick !px-0 grid place-items-center"
          :aria-label="`${GOAL_WORDS[concern]}: more wanted`"
          :disabled="disabled"
          v-off="at === 0 && 'It is wanted most already.'"
          @click="move(at, -1)"
        >
          <ArrowUp :size="17" />
        </button>
        <button
          type="button"
          class="pick !px-0 grid place-items-center"
          :aria-label="`${GOAL_WORDS[concern]}: less wanted`"
          :disabled="disabled"
          v-off="at === concerns.length - 1 && 'It is wanted least already.'"
          @click="move(at, 1)"
        >
          <ArrowDown :size="17" />
        </button>
        <button
          type="button"
          class="pick text-sm"
          :aria-label="`${GOAL_WORDS[concern]}: not wanted`"
          :disabled="disabled"
          @click="put(concerns.filter((other) => other !== concern))"
        >
          ✕
        </button>
        <div
          class="w-full pl-11 flex flex-wrap gap-1"
          role="group"
          :aria-label="`${GOAL_WORDS[concern]}: where`"
        >
          <button
            type="button"
            class="pick text-sm mr-3"
            :aria-pressed="details[concern]?.wish === true"
            :disabled="disabled"
            @click="flipWish(concern)"
          >
            client’s wish
          </button>
          <PlacePicks
            :zones="details[concern]?.zones ?? []"
            :disabled="disabled"
            @change="putPlaces(concern, $event)"
          />
        </div>
      </li>
    </ol>
    <div class="flex flex-wrap gap-1 mt-3">
      <button
        v-for="concern in left"
        :key="concern"
        type="button"
        class="pick"
        :disabled="disabled"
        @click="put([...concerns, concern])"
      >
        + {{ GOAL_WORDS[concern] }}
      </button>
    </div>
  </section>
</template>
