import { useEventListener } from '@vueuse/core'
import { call, refusalOf } from '~/support/api'
import { clockTime } from '~/support/time'
import {
  atY,
  SNAP_MINUTES,
  slotMinutes,
  yOf,
  type By,
  type Column,
  type Day,
  type DayVisit,
} from '~/support/today/board'
import type { Stretch } from '#core/board'

const MINUTE_MS = 60_000
const STARTS_PX = 6

/** Where a visit in the hand would be put down. */
export interface Held {
  readonly visit: DayVisit
  readonly atMs: number
  readonly columnId: string
}
interface Board {
  readonly day: () => Day | undefined
  readonly by: () => By
  readonly span: () => Stretch
  readonly columns: () => readonly Column[]
  /** The columns' place on the screen. */
  readonly area: () => HTMLElement | undefined
  readonly moved: () => Promise<void>
}

/** Moving a visit to another time or column: dragged by its ladder, or picked up and carried by the keys. */
export function useBoardMove(board: Board) {
  const held = shallowRef<Held>()
  const trouble = ref('')
  const said = ref('')
  const { put, undo, canUndo } = putter(board, trouble, said)
  const columnOf = ({ roomId, practitionerId }: DayVisit) =>
    board.by() === 'room' ? roomId : practitionerId
  const begin = (visit: DayVisit) => {
    trouble.value = ''
    const atMs = new Date(visit.startsAt).getTime()
    held.value = { visit, atMs, columnId: columnOf(visit) }
  }
  async function drop() {
    const { value } = held
    held.value = undefined
    if (value) await put(value)
  }
  const cancel = () => {
    held.value = undefined
  }
  useKeys({ held, drop, cancel, columns: board.columns })
  const grab = usePointer({ board, held, begin, drop, cancel })
  return { held, trouble, said, begin, grab, undo, canUndo }
}

/** Puts a visit down where it is held; refused, it stays where it was and the reason is told. */
function putter(board: Board, trouble: Ref<string>, said: Ref<string>) {
  const before = shallowRef<Held>()
  async function save({ visit, atMs, columnId }: Held): Promise<boolean> {
    const { timeZone } = board.day()!
    const seat = board.by() === 'room' ? { roomId: columnId } : { practitionerId: columnId }
    const { roomId, practitionerId } = visit
    const body = {
      ...{ roomId, practitionerId, ...seat, slotMinutes: slotMinutes(visit) },
      ...{ date: board.day()!.date, time: clockTime(atMs, timeZone) },
    }
    try {
      await call('/api/visits/:id/seat', { method: 'put', params: { id: visit.id }, body })
      return true
    } catch (error) {
      trouble.value = refusalOf(error).detail
      return false
    }
  }
  async function put(held: Held) {
    const { visit } = held
    const was: Held = {
      visit,
      atMs: new Date(visit.startsAt).getTime(),
      columnId: board.by() === 'room' ? visit.roomId : visit.practitionerId,
    }
    if (was.atMs === held.atMs && was.columnId === held.columnId) return
    if (!(await save(held))) return
    before.value = was
    const name = board.columns().find(({ id }) => id === held.columnId)?.name ?? ''
    said.value = `Moved to ${clockTime(held.atMs, board.day()!.timeZone)}, ${name}.`
    await board.moved()
  }
  async function undo() {
    const { value } = before
    before.value = undefined
    said.value = ''
    if (value && (await save(value))) await board.moved()
  }
  return { put, undo, canUndo: computed(() => before.value !== undefined) }
}

interface Hand {
  readonly held: Ref<Held | undefined>
  readonly drop: () => Promise<void>
  readonly cancel: () => void
}

/** Arrows carry it: five minutes up or down, a quarter of an hour with shift, a column to the side. */
function useKeys({ held, drop, cancel, columns }: Hand & Pick<Board, 'columns'>) {
  const STEPS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1 }
  const SIDES: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 }
  function carried(key: string, isFar: boolean): Held | undefined {
    const now = held.value!
    const step = STEPS[key]
    if (step !== undefined) {
      const minutes = step * SNAP_MINUTES * (isFar ? 3 : 1)
      return { ...now, atMs: now.atMs + minutes * MINUTE_MS }
    }
    const side = SIDES[key]
    if (side === undefined) return undefined
    const ids = columns().map(({ id }) => id)
    const next = ids[ids.indexOf(now.columnId) + side]
    return next === undefined ? now : { ...now, columnId: next }
  }
  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (!held.value) return
      if (event.key === 'Escape') cancel()
      else if (event.key === 'Enter') void drop()
      else {
        const next = carried(event.key, event.shiftKey)
        if (!next) return
        held.value = next
      }
      event.preventDefault()
      event.stopPropagation()
    },
    { capture: true },
  )
}

interface Pointing extends Hand {
  readonly board: Board
  readonly begin: (visit: DayVisit) => void
}
/** Dragged once it has moved a little: a touch alone is none. */
function usePointer({ board, held, begin, drop, cancel }: Pointing) {
  let from: { x: number; y: number; visit: DayVisit; offset: number } | undefined
  function grab(visit: DayVisit, event: PointerEvent) {
    const area = board.area()
    if (!area || event.button !== 0) return
    const top = area.getBoundingClientRect().top
    const visitY = yOf(new Date(visit.startsAt).getTime(), board.span())
    from = { x: event.clientX, y: event.clientY, visit, offset: event.clientY - top - visitY }
    event.preventDefault()
  }
  useEventListener('pointermove', (event: PointerEvent) => {
    if (!from) return
    const far = Math.hypot(event.clientX - from.x, event.clientY - from.y)
    if (!held.value && far < STARTS_PX) return
    if (!held.value) begin(from.visit)
    const area = board.area()!.getBoundingClientRect()
    const columns = board.columns()
    const at = Math.floor(((event.clientX - area.left) / area.width) * columns.length)
    const column = columns[Math.max(0, Math.min(columns.length - 1, at))]
    const atMs = atY(event.clientY - area.top - from.offset, board.span())
    if (held.value && column) held.value = { ...held.value, atMs, columnId: column.id }
  })
  useEventListener('pointerup', () => {
    if (!from) return
    from = undefined
    if (held.value) void drop()
  })
  useEventListener('pointercancel', () => {
    from = undefined
    cancel()
  })
  return grab
}
