<script setup lang="ts">
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { Step } from '#core/protocol'
import { layoutLadder, leaveOnSteps } from '~/ladder/layout'
import { never } from '~/support/never'
import { deedOf, type LadderDeed } from '~/support/protocols/ladder-keys'

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

const ROW_PX = 40
const list = ref<HTMLElement>()
const layout = computed(() =>
  layoutLadder(
    props.steps,
    props.sketch?.segments ?? [],
    leaveOnSteps(props.steps, props.shelf.products),
    { height: Math.max(props.steps.length, 1) * ROW_PX, rowHeight: ROW_PX },
  ),
)
const stepById = computed(() => new Map(props.steps.map((step) => [step.id, step])))
const secondsOf = computed(
  () => new Map(layout.value.rows.map(({ stepId, seconds }) => [stepId, seconds])),
)
/** Steps in the order in which they begin; while one is not placed, all keep their written place. */
const order = computed(() => {
  const isAllPlaced = props.steps.every(({ id }) => secondsOf.value.has(id))
  if (!isAllPlaced) return props.steps.map(({ id }) => id)
  return layout.value.rows.map(({ stepId }) => stepId).filter((id) => stepById.value.has(id))
})
const rows = computed(() => order.value.map((id) => stepById.value.get(id)!))
const findingsOf = (id: string) =>
  props.sketch?.findings.filter(({ stepId }) => stepId === id) ?? []
useLadderDrag(
  list,
  order,
  () => props.disabled,
  (ids, dragged) => emit('dropped', ids, dragged),
)

function go(by: number, extend: boolean) {
  const at = rows.value.findIndex(({ id }) => id === props.cursor)
  const next = rows.value[Math.max(0, Math.min(rows.value.length - 1, at + by))]
  if (next) emit('cursor', next.id, extend, false)
}
function atCursor(kind: 'toggle' | 'mend') {
  if (props.cursor && kind === 'mend') emit('mend', props.cursor)
  else if (props.cursor) emit('cursor', props.cursor, false, true)
}
function act(deed: LadderDeed, extend: boolean) {
  switch (deed.kind) {
    case 'go':
      return go(deed.by, extend)
    case 'move':
      return emit('move', deed.by)
    case 'toggle':
    case 'mend':
      return atCursor(deed.kind)
    case 'open':
      return emit('open')
    case 'remove':
      return emit('remove')
    case 'add':
      return emit('add')
    case 'copy':
      return emit('copy')
    default:
      return never(deed)
  }
}
function onKey(event: KeyboardEvent) {
  const deed = deedOf(event, !props.disabled)
  if (!deed) return
  event.preventDefault()
  act(deed, event.shiftKey)
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
    <BuilderScale
      :layout="layout"
      :rows="rows"
      :picked="picked"
      :total-s="sketch?.totalS ?? 0"
      :row-px="ROW_PX"
    />
    <ul
      ref="list"
      role="listbox"
      aria-label="Rungs of the ladder"
      aria-multiselectable="true"
      :tabindex="0"
      :aria-activedescendant="cursor ? `rung-${cursor}` : undefined"
      class="flex-1 min-w-0 mt-6 outline-offset-4"
      @keydown="onKey"
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
        <BuilderRung
          :step="step"
          :seconds="secondsOf.get(step.id) ?? 0"
          :findings="findingsOf(step.id)"
          :is-without-host="sketch?.withoutHost.includes(step.id) ?? false"
        />
      </li>
    </ul>
  </div>
</template>
