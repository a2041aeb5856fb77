<script setup lang="ts">
import type { Change } from '#core/adapt'
import { BASIS_WORDS, glyphOf } from '~/support/fit/consequences'

const props = defineProps<{
  change: Change
  mark: string
  disabled: boolean
  selected: boolean
  /** The same for the same reasons as at the last visit: folded until it is touched. */
  asLastTime: boolean
}>()
const isFolded = computed(() => props.asLastTime && !props.selected)
defineEmits<{
  keep: [ruleId: string]
  withdraw: [ruleId: string]
  select: []
  /** The mouse is over it, or has left: it is marked, not unfolded, or the list would move away under the hand. */
  point: [isOver: boolean]
  stay: []
}>()
const first = computed(() => props.change.why[0])
const basis = computed(() => [
  ...new Map(
    props.change.why.map((why) => [
      why.ruleId,
      {
        id: why.ruleId,
        words: ` · ${BASIS_WORDS[why.basis]}${why.source ? ` · ${why.source}` : ''}`,
      },
    ]),
  ).values(),
])
const keepable = computed(() =>
  props.change.kind !== 'kept' &&
  props.change.why.length > 0 &&
  props.change.why.every((why) => why.overridable === 'reason')
    ? first.value?.ruleId
    : undefined,
)
/** Left out or shortened for time alone: it can be told to stay. */
const forTime = computed(
  () => props.change.kind === 'dropped' && props.change.why.some((why) => why.ruleId === 'T01'),
)
const reasons = computed(() => [
  ...new Set(
    props.change.why.map((why) =>
      why.because === 'always' || why.because === why.reason
        ? why.reason
        : `${why.because}. ${why.reason}`,
    ),
  ),
])
const { said } = useMeasures()
</script>

<template>
  <li
    class="grid grid-cols-[3.2rem_1fr] grid-rows-[auto_1fr] py-3 border-b border-hair"
    :class="selected && 'bg-now-ground'"
    @mouseenter="$emit('point', true)"
    @mouseleave="$emit('point', false)"
    @click="$emit('select')"
  >
    <span class="row-span-2 flex flex-col items-center gap-0.5 pt-0.5">
      <span
        class="min-w-6 h-5 px-1 grid place-items-center border-[1.4px] border-mind text-mind text-[12.5px] font-bold"
      >
        {{ mark }}
      </span>
      <span class="text-mind" :title="glyphOf(change.kind).word">{{
        glyphOf(change.kind).glyph
      }}</span>
    </span>
    <div>
      <p :class="!asLastTime && 'font-semibold'">
        {{ said(change.what)
        }}<span v-if="asLastTime" class="text-sm text-soft"> · as last time</span>
      </p>
    </div>
    <div v-if="!isFolded" class="col-start-2">
      <p v-for="reason in reasons" :key="reason">{{ said(reason) }}</p>
      <p v-if="first && change.kind !== 'hung' && change.kind !== 'replaced'" class="text-soft">
        Instead: {{ said(first.instead) }}
      </p>
      <p class="text-sm text-soft mt-0.5">
        <template v-for="(basi, at) in basis" :key="basi.id">
          {{ at > 0 ? ' — ' : '' }}<RuleLink :id="basi.id" />{{ basi.words }}
        </template>
      </p>
      <div v-if="keepable || forTime || change.kind === 'kept'" class="mt-1.5">
        <button
          v-if="forTime"
          type="button"
          class="rung !min-h-[44px] text-sm"
          :disabled="disabled"
          @click="$emit('stay')"
        >
          Must stay
        </button>
        <button
          v-if="keepable"
          type="button"
          class="rung !min-h-[44px] text-sm"
          :disabled="disabled"
          @click="$emit('keep', keepable)"
        >
          Keep as written …
        </button>
        <button
          v-if="change.kind === 'kept' && first"
          type="button"
          class="rung text-sm"
          :disabled="disabled"
          @click="$emit('withdraw', first.ruleId)"
        >
          Take back
        </button>
      </div>
    </div>
  </li>
</template>
