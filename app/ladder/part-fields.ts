import type { Admits, Segment, Step } from '#core/protocol'
import { compact } from '~/support/compact'

/** What a field of the builder makes of a part of a step: pure, with the builder’s defaults and bounds. */

type PartKind = Segment['kind']

/** What the parts of a step are called on the screen. */
export const PART_WORDS: Readonly<Record<PartKind, string>> = {
  prepare: 'mix, set up',
  apply: 'on',
  dwell: 'processing',
  remove: 'off',
  settle: 'drying',
  hygiene: 'hygiene',
}

/** What a part is called in its step: its coat or its pole where it has one. */
export function partWords(part: Segment): string {
  if (part.coat) return `coat ${part.coat}`
  return part.polarity ? `${part.polarity} pole` : PART_WORDS[part.kind]
}

const withParts = (step: Step, segments: Segment[]): Step => ({ ...step, segments })

/** One part changed; a field set to undefined goes away. */
export const withPart = (step: Step, id: string, more: Partial<Segment>): Step =>
  withParts(
    step,
    step.segments.map((part) => (part.id === id ? compact({ ...part, ...more }) : part)),
  )

export const withoutPart = (step: Step, id: string): Step =>
  withParts(
    step,
    step.segments.filter((part) => part.id !== id),
  )

/** What a new part begins with: half a minute to two, a mask five to fifteen. */
const NEW_PART = { minS: 30, usualS: 60, maxS: 120 }
const NEW_OF_KIND: Partial<Record<PartKind, Partial<Segment>>> = {
  dwell: { minS: 300, usualS: 600, maxS: 900, presence: 'room', admits: ['quiet'] },
  remove: { tool: 'sponge', temperature: 'lukewarm' },
}

/** One part more: what is prepared comes first, everything else last. */
export function withNewPart(step: Step, kind: PartKind): Step {
  const taken = new Set(step.segments.map((part) => part.id))
  let count = 1
  while (taken.has(`${kind}${count}`)) count++
  const part: Segment = { id: `${kind}${count}`, kind, ...NEW_PART, ...NEW_OF_KIND[kind] }
  return withParts(step, kind === 'prepare' ? [part, ...step.segments] : [...step.segments, part])
}

/** What a processing time admits, one more or one fewer. */
export function withAdmitted(step: Step, part: Segment, admitted: Admits): Step {
  const now = part.admits ?? []
  const admits = now.includes(admitted)
    ? now.filter((other) => other !== admitted)
    : [...now, admitted]
  return withPart(step, part.id, { admits })
}

/** A removal is repeated up to three times when nothing else is said. */
const USUAL_COUNT = 1
const MOST_COUNT = 3
const MOST_USUAL_COUNT = 6

/** The sign a part is over by; none: it is over by its time. */
export function withSign(step: Step, part: Segment, typed: string): Step {
  const sign = typed.trim()
  if (sign === '') return withPart(step, part.id, { end: undefined })
  if (part.kind !== 'remove') return withPart(step, part.id, { end: { by: 'both', sign } })
  const usualCount = part.end?.usualCount ?? USUAL_COUNT
  const maxCount = Math.max(MOST_COUNT, part.end?.maxCount ?? MOST_COUNT)
  return withPart(step, part.id, { end: { by: 'repeat', sign, usualCount, maxCount } })
}

/** How one part is done where it is not the usual way; nothing: the house's way. */
export const withTechnique = (step: Step, part: Segment, typed: string): Step =>
  withPart(step, part.id, { technique: typed.trim() || undefined })

/** How often a part is usually taken off, one to six times. */
export function withUsualCount(step: Step, part: Segment, typed: number): Step {
  const count = typed || USUAL_COUNT
  const usualCount = Math.max(1, Math.min(MOST_USUAL_COUNT, count))
  const maxCount = Math.max(count, part.end!.maxCount ?? MOST_COUNT)
  return withPart(step, part.id, { end: { ...part.end!, usualCount, maxCount } })
}

const secondsOf = (minutes: number) => Math.max(0, Math.round(minutes * 60))

/** How long what is mixed stands, in minutes. */
export const withPotLife = (step: Step, part: Segment, minutes: number): Step =>
  withPart(step, part.id, { potLifeS: secondsOf(minutes) })

/** After how many minutes it sets; none: it does not. */
export const withWorking = (step: Step, part: Segment, minutes: number): Step =>
  withPart(step, part.id, { workingS: minutes > 0 ? secondsOf(minutes) : undefined })

/** The zones of one part; all of the step’s: none of its own. */
export const withPartZones = (step: Step, part: Segment, zones: NonNullable<Step['zones']>): Step =>
  withPart(step, part.id, { zones: zones.length === step.zones.length ? undefined : zones })
