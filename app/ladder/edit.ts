import { freshId, timedByMovements, type Movement, type Segment, type Step } from '#core/protocol'

/** Moves the step at `at` by one place; at the ends nothing changes. */
export function moveStep(steps: readonly Step[], at: number, by: -1 | 1): Step[] {
  const to = at + by
  const [here, there] = [steps[at], steps[to]]
  return here && there ? steps.with(at, there).with(to, here) : [...steps]
}

/** Sets the usual minutes of one segment, kept within its own limits; the limits give way only for hands-on work. */
export function setMinutes(step: Step, segmentId: string, minutes: number): Step {
  const seconds = Math.round(minutes * 60)
  return {
    ...step,
    segments: step.segments.map((segment) => {
      if (segment.id !== segmentId || !Number.isFinite(seconds)) return segment
      if (segment.kind === 'dwell')
        return { ...segment, usualS: Math.min(segment.maxS, Math.max(segment.minS, seconds)) }
      return {
        ...segment,
        usualS: Math.max(0, seconds),
        minS: Math.min(segment.minS, Math.max(0, seconds)),
        maxS: Math.max(segment.maxS, seconds),
      }
    }),
  }
}

/** Moves several steps together by one place, in their own order; the block stops at the ends. */
export function moveMany(steps: readonly Step[], ids: readonly string[], by: -1 | 1): Step[] {
  const picked = new Set(ids)
  const places = steps.flatMap((step, at) => (picked.has(step.id) ? [at] : []))
  const edge = by === -1 ? places[0] : places.at(-1)
  if (edge === undefined || steps[edge + by] === undefined) return [...steps]
  return (by === -1 ? places : [...places].reverse()).reduce<Step[]>(
    (now, at) => moveStep(now, at, by),
    [...steps],
  )
}

/** The ladder in the order of these ids, after one was dragged; what is picked with it comes along, in its own order. */
export function dropAt(
  steps: readonly Step[],
  order: readonly string[],
  dragged: string,
  picked: readonly string[],
): Step[] {
  const inOrder = order.flatMap((id) => steps.find((step) => step.id === id) ?? [])
  if (inOrder.length !== steps.length || !picked.includes(dragged) || picked.length < 2)
    return inOrder.length === steps.length ? inOrder : [...steps]
  const block = steps.filter((step) => picked.includes(step.id))
  return inOrder.flatMap((step) => {
    if (step.id === dragged) return block
    return picked.includes(step.id) ? [] : [step]
  })
}

/** Puts a step in behind another; at the end when that one is not there. */
export function insertAfter(
  steps: readonly Step[],
  afterId: string | undefined,
  step: Step,
): Step[] {
  const at = steps.findIndex((step) => step.id === afterId)
  return at === -1 ? [...steps, step] : [...steps.slice(0, at + 1), step, ...steps.slice(at + 1)]
}

/** Takes steps out; what closes them goes along. */
export const removeSteps = (steps: readonly Step[], ids: readonly string[]): Step[] =>
  steps.filter(
    (step) => !ids.includes(step.id) && !(step.closes !== undefined && ids.includes(step.closes)),
  )

/** A copy of each of these steps behind the last of them, under ids of their own. */
export function duplicateSteps(
  steps: readonly Step[],
  ids: readonly string[],
): { steps: Step[]; copies: string[] } {
  const last = steps.findLast((step) => ids.includes(step.id))
  let now = [...steps]
  const copies: string[] = []
  let after = last?.id
  for (const step of steps.filter((step) => ids.includes(step.id))) {
    const copy = { ...step, id: freshId(now, step.id.replace(/-\d+$/, '')) }
    now = insertAfter(now, after, copy)
    after = copy.id
    copies.push(copy.id)
  }
  return { steps: now, copies }
}

/** No part of a step lasts longer than four hours. */
const LONGEST_S = 4 * 3600
/** A ladder holds no more rungs than this. */
export const MOST_RUNGS = 60

/** Changes the least, usual or most minutes of a segment; the others give way so that they never decrease. The most of a dwell is a safety limit: only its own field moves it. */
export function setLimit(
  step: Step,
  segmentId: string,
  which: 'minS' | 'usualS' | 'maxS',
  minutes: number,
): Step {
  const seconds = Math.min(LONGEST_S, Math.max(0, Math.round(minutes * 60)))
  if (!Number.isFinite(seconds)) return step
  if (which === 'usualS') return setMinutes(step, segmentId, seconds / 60)
  const changed = (part: Segment): Segment => {
    if (which === 'minS' && part.kind === 'dwell')
      return {
        ...part,
        minS: Math.min(seconds, part.maxS),
        usualS: Math.max(part.usualS, Math.min(seconds, part.maxS)),
      }
    if (which === 'minS')
      return {
        ...part,
        minS: seconds,
        usualS: Math.max(part.usualS, seconds),
        maxS: Math.max(part.maxS, seconds),
      }
    return {
      ...part,
      maxS: seconds,
      usualS: Math.min(part.usualS, seconds),
      minS: Math.min(part.minS, seconds),
    }
  }
  return {
    ...step,
    segments: step.segments.map((part) => (part.id === segmentId ? changed(part) : part)),
  }
}

/** The step with other movements; its hands-on minutes follow. Without any the minutes stay as they are. */
export function setMovements(step: Step, movements: readonly Movement[]): Step {
  if (movements.length > 0) return timedByMovements({ ...step, movements: [...movements] })
  const { movements: _, ...plain } = step
  return plain
}

/** The step with one field set, or without it when the value is undefined. */
export function setField<K extends keyof Step>(
  step: Step,
  key: K,
  value: Step[K] | undefined,
): Step {
  const { [key]: _, ...rest } = step
  return (value === undefined ? rest : { ...step, [key]: value }) as Step
}

/** A new step after `before`; the end of a visit stays its end, so what is no close goes before it. */
export function insertNew(steps: readonly Step[], before: Step | undefined, added: Step): Step[] {
  const isAfterClose = before?.phase === 'close' && added.phase !== 'close'
  if (!before || !isAfterClose) return insertAfter(steps, before?.id, added)
  const previous = steps[steps.indexOf(before) - 1]
  return previous ? insertAfter(steps, previous.id, added) : [added, ...steps]
}
