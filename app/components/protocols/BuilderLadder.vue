<script setup lang="ts">
import { useDraggable } from 'vue-draggable-plus'
import { AlertTriangle, GripVertical } from 'lucide-vue-next'
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { Step } from '#core/protocol'
import { layoutLadder, leaveOnSteps } from '~/ladder/layout'
import { halfMinutes } from '~/support/time'

const props = defineProps<{
  steps: readonly Step[]
  sketch: Sketch | undefined
  shelf: Shelf
  cursor: string | undefined
  picked: ReadonlySet<string>
  disabled?: boolean
}>()
const emit = defineEmits<{
  cursor: [id: string, extend: boolean, toggle: boolean]
  dropped: [order: string[], dragged: string]
  move: [by: -1 | 1]
  remove: []
  copy: []
  mend: [id: string]
  open: []
  add: []
}>()

const ROW = 40
const RAIL_X = 52
const GAP = 44
const WIDTH = 158
const list = ref<HTMLElement>()
/** Steps that are on the skin in the order in which they begin; what is not placed keeps its written place. */
const layout = computed(() =>
  layoutLadder(
    props.steps,
    props.sketch?.segments ?? [],
    leaveOnSteps(props.steps, props.shelf.products),
    { height: Math.max(props.steps.length, 1) * ROW, rowHeight: ROW },
  ),
)
const started = computed(() => new Map(layout.value.rows.map((row) => [row.stepId, row])))
const order = computed(() => {
  const placed = layout.value.rows
    .map((row) => row.stepId)
    .filter((id) => props.steps.some((step) => step.id === id))
  const rest = props.steps.filter((step) => !started.value.has(step.id))
  return rest.length === 0 ? placed : props.steps.map((step) => step.id)
})
const rows = computed(() => order.value.map((id) => props.steps.find((step) => step.id === id)!))
const ids = ref<string[]>([])
watch(
  order,
  (now) => {
    ids.value = [...now]
  },
  { immediate: true },
)
const height = computed(() => Math.max(rows.value.length * ROW, 2 * ROW))
const total = computed(() => props.sketch?.totalS ?? 0)
const ticks = computed(() =>
  Array.from({ length: Math.floor(total.value / 300) + 1 }, (_, at) => ({
    minutes: at * 5,
    y: at * 300 * layout.value.pixelsPerSecond,
  })),
)
const findingsOf = (id: string) => props.sketch?.findings.filter((one) => one.stepId === id) ?? []
const worst = (id: string) =>
  findingsOf(id).some((one) => one.level === 'wrong')
    ? 'wrong'
    : findingsOf(id).length > 0
      ? 'advice'
      : undefined
const leader = (id: string, at: number) => {
  const row = started.value.get(id)
  return row
    ? `M${RAIL_X + 8} ${row.anchorY + 0.5} H${RAIL_X + GAP + 24} L${WIDTH - 12} ${at * ROW + ROW / 2} H${WIDTH}`
    : ''
}
const hints = (step: Step) =>
  [
    step.choice && `one of ${step.choice.options.length}`,
    step.when?.time === 'evening' ? 'evening' : step.when?.time === 'day' ? 'by day' : undefined,
    step.when?.visit === 'later' ? 'not first' : undefined,
    step.onlyIf && 'if seen',
    step.repeat && `×${step.repeat.usual}`,
    step.share !== undefined && `${Math.round(step.share * 100)} %`,
  ]
    .filter(Boolean)
    .join(' · ')
const secondsOf = (id: string) => started.value.get(id)?.seconds ?? 0

// The package moves the rows by mouse and touch; the keys below do it without.
const drag = useDraggable(list, ids, {
  handle: '.grip',
  animation: 120,
  forceFallback: true,
  fallbackTolerance: 3,
  disabled: props.disabled ?? false,
  onEnd: (event: {
    data?: string
    oldIndex?: number | undefined
    newIndex?: number | undefined
  }) => {
    if (event.oldIndex !== event.newIndex && event.newIndex !== undefined)
      emit('dropped', [...ids.value], ids.value[event.newIndex]!)
  },
})
watch(
  () => props.disabled,
  (off) => drag.option('disabled', off ?? false),
)

function go(by: number, extend: boolean) {
  const at = rows.value.findIndex((step) => step.id === props.cursor)
  const next = rows.value[Math.max(0, Math.min(rows.value.length - 1, at + by))]
  if (next) emit('cursor', next.id, extend, false)
}
function keyed(event: KeyboardEvent) {
  const plain = !event.ctrlKey && !event.metaKey && !event.altKey
  const moves: Record<string, () => void> = {
    ArrowDown: () => (event.altKey ? emit('move', 1) : go(1, event.shiftKey)),
    ArrowUp: () => (event.altKey ? emit('move', -1) : go(-1, event.shiftKey)),
    Home: () => go(-999, event.shiftKey),
    End: () => go(999, event.shiftKey),
    ' ': () => {
      if (props.cursor) emit('cursor', props.cursor, false, true)
    },
    Enter: () => emit('open'),
    Delete: () => emit('remove'),
    Backspace: () => emit('remove'),
    ...(plain
      ? {
          m: () => {
            if (props.cursor) emit('mend', props.cursor)
          },
          a: () => emit('add'),
          c: () => emit('copy'),
        }
      : {}),
  }
  const move = moves[event.key]
  if (
    !move ||
    (props.disabled && !['ArrowDown', 'ArrowUp', 'Home', 'End', 'Enter'].includes(event.key))
  )
    return
  event.preventDefault()
  move()
}
watch(
  () => props.cursor,
  async (id) => {
    await nextTick()
    if (id) document.getElementById(`rung-${id}`)?.scrollIntoView({ block: 'nearest' })
  },
)
defineExpose({ focus: () => list.value?.focus() })
</script>

<template>
  <div class="flex">
    <svg
      :width="WIDTH"
      :height="height + 30"
      :viewBox="`0 -24 ${WIDTH} ${height + 30}`"
      aria-hidden="true"
      class="shrink-0 overflow-visible"
    >
      <text :x="RAIL_X" y="-10" text-anchor="middle" font-size="13" fill="var(--ink-soft)">
        hands
      </text>
      <text :x="RAIL_X + GAP" y="-10" text-anchor="middle" font-size="13" fill="var(--ink-soft)">
        skin
      </text>
      <g v-for="tick in ticks" :key="tick.minutes">
        <line :x1="RAIL_X - 18" :x2="RAIL_X - 9" :y1="tick.y" :y2="tick.y" stroke="var(--line)" />
        <text
          v-if="tick.minutes % 10 === 0"
          :x="RAIL_X - 23"
          :y="tick.y + 4.5"
          text-anchor="end"
          font-size="13"
          fill="var(--ink-soft)"
        >
          {{ tick.minutes }}
        </text>
      </g>
      <path
        v-for="(step, at) in rows"
        :key="step.id"
        :d="leader(step.id, at)"
        fill="none"
        :stroke="picked.has(step.id) ? 'var(--now)' : 'var(--line-soft)'"
        :stroke-width="picked.has(step.id) ? 2 : 1.1"
      />
      <LadderRails :layout="layout" :x="RAIL_X" :gap="GAP" />
    </svg>
    <ul
      ref="list"
      role="listbox"
      aria-label="Rungs of the ladder"
      aria-multiselectable="true"
      :tabindex="0"
      :aria-activedescendant="cursor ? `rung-${cursor}` : undefined"
      class="flex-1 min-w-0 mt-6 outline-offset-4"
      @keydown="keyed"
    >
      <li
        v-for="step in rows"
        :id="`rung-${step.id}`"
        :key="step.id"
        role="option"
        :aria-selected="picked.has(step.id)"
        class="h-10 flex items-center gap-2.5 pr-2 border-b border-hair select-none cursor-default"
        :class="[
          picked.has(step.id) ? 'bg-now-ground' : 'hover:bg-sunk',
          cursor === step.id && 'shadow-[inset_3px_0_0_var(--now)]',
        ]"
        @click="emit('cursor', step.id, $event.shiftKey, $event.ctrlKey || $event.metaKey)"
      >
        <span
          class="grip h-full w-7 grid place-items-center cursor-grab text-soft touch-none"
          aria-hidden="true"
        >
          <GripVertical :size="16" />
        </span>
        <span class="truncate" :class="step.essential ? 'font-semibold' : ''">
          <span v-if="step.floating" class="text-soft">↳ </span>{{ step.title }}
        </span>
        <span v-if="hints(step)" class="text-sm text-soft whitespace-nowrap shrink-0">{{
          hints(step)
        }}</span>
        <span
          v-if="sketch?.withoutHost.includes(step.id)"
          class="text-sm text-mind whitespace-nowrap shrink-0"
          >hangs nowhere</span
        >
        <span class="ml-auto shrink-0 flex items-center gap-2">
          <AlertTriangle
            v-if="worst(step.id)"
            :size="17"
            :class="worst(step.id) === 'wrong' ? 'text-mind' : 'text-soft'"
            role="img"
            :aria-label="
              findingsOf(step.id)
                .map((one) => one.says)
                .join(' ')
            "
          />
          <span class="text-soft w-14 text-right">{{
            secondsOf(step.id) > 0 ? halfMinutes(secondsOf(step.id)) : '–'
          }}</span>
        </span>
      </li>
    </ul>
  </div>
</template>
