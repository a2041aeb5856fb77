import { stepFrom, type CatalogueRow } from '#core/compose'
import type { Step } from '#core/protocol'
import type { CardOnBench } from './useCard'
import { dropAt, duplicateSteps, insertNew, MOST_RUNGS, moveMany, removeSteps } from '~/ladder/edit'

/** Which rungs are picked: one has the cursor, several may go together. */
export function usePicked({ state, sketched }: Pick<CardOnBench, 'state' | 'sketched'>) {
  const cursor = ref<string>()
  const picked = ref<ReadonlySet<string>>(new Set())
  const steps = computed(() => state.value.steps)
  const current = computed(() => steps.value.find((step) => step.id === cursor.value))
  /** The order on the screen: as placed, where everything is placed. */
  const inOrder = computed(() => {
    const written = steps.value.map((step) => step.id)
    const parts = (sketched.value?.segments ?? []).filter(({ kind }) => kind !== 'prepare')
    const placed = [...new Set(parts.map((part) => part.stepId))]
    return placed.length === written.length ? placed : written
  })
  function choose(id: string | undefined) {
    cursor.value = id
    picked.value = new Set(id ? [id] : [])
  }
  function toggle(id: string) {
    const now = new Set(picked.value)
    if (!now.delete(id)) now.add(id)
    picked.value = now
    cursor.value = id
  }
  function extendTo(id: string) {
    const anchor = cursor.value ?? id
    const ends = [inOrder.value.indexOf(anchor), inOrder.value.indexOf(id)]
    const between = inOrder.value.slice(Math.min(...ends), Math.max(...ends) + 1)
    picked.value = new Set([...picked.value, ...between])
    cursor.value = id
  }
  const chosenIds = () => {
    if (picked.value.size > 0) return [...picked.value]
    return cursor.value ? [cursor.value] : []
  }
  /** After an undo what had the cursor may be gone. */
  function revive() {
    if (!current.value) choose(steps.value[0]?.id)
  }
  return { cursor, picked, steps, current, choose, toggle, extendTo, chosenIds, revive }
}
export type Picked = ReturnType<typeof usePicked>

/** What is done with the picked rungs: each is one step of undo. */
export function useRungs(card: CardOnBench, chosen: Picked) {
  const { shelf, trouble } = card
  const { steps, cursor, picked, choose, chosenIds, revive } = chosen
  const put = (now: readonly Step[]) => card.put({ steps: [...now] })

  /** Says so when the ladder would hold more rungs than a card may. */
  function isFull(more: number): boolean {
    const full = steps.value.length + more > MOST_RUNGS
    trouble.value = full ? `A ladder holds ${MOST_RUNGS} rungs at most. Take one out first.` : ''
    return full
  }
  function add(row: CatalogueRow) {
    if (isFull(1)) return
    const before = chosen.current.value ?? steps.value.at(-1)
    const added = stepFrom(row, steps.value, shelf.value, before)
    put(insertNew(steps.value, before, added))
    choose(added.id)
  }
  const change = (changed: Step) =>
    put(steps.value.map((step) => (step.id === changed.id ? changed : step)))
  const move = (by: -1 | 1) => put(moveMany(steps.value, chosenIds(), by))
  function drop(order: string[], dragged: string) {
    put(dropAt(steps.value, order, dragged, [...picked.value]))
    if (!picked.value.has(dragged)) choose(dragged)
  }
  function remove() {
    const gone = chosenIds()
    const at = steps.value.findIndex((step) => step.id === gone[0])
    const left = removeSteps(steps.value, gone)
    put(left)
    choose(left[Math.min(at, left.length - 1)]?.id)
  }
  function copy() {
    if (isFull(chosenIds().length)) return
    const { steps: now, copies } = duplicateSteps(steps.value, chosenIds())
    put(now)
    cursor.value = copies[0]
    picked.value = new Set(copies)
  }
  const history = useRungHistory(card, revive)
  return { add, change, move, drop, remove, copy, ...history }
}

/** What is taken back, done again, and mended by one touch. */
function useRungHistory(card: CardOnBench, revive: () => void) {
  const { sketched, history } = card
  /** The first finding at this rung that one touch mends; else the first anywhere. */
  function mend(stepId?: string) {
    const mendable = (sketched.value?.findings ?? []).filter(({ mended }) => mended)
    const found =
      mendable.find((finding) => finding.stepId === stepId) ??
      mendable.find(({ level }) => level === 'wrong')
    if (!found?.mended) return
    card.put({ steps: [...found.mended] })
    revive()
  }
  function undo() {
    history.undo()
    revive()
  }
  function redo() {
    history.redo()
    revive()
  }
  return { mend, undo, redo }
}
