import { dequal } from 'dequal'
import type { Segment, Step } from '../protocol/model'
import { inMinutes } from '../quantity/time'
import { zonesInWords } from '../skin/zones'

/** One rung of two versions side by side. Places count from 1. */
export interface RungDiff {
  readonly stepId: string
  readonly title: string
  readonly kind: 'same' | 'changed' | 'added' | 'removed'
  /** It also stands elsewhere among the rungs both versions have. */
  readonly moved: boolean
  readonly from?: number
  readonly to?: number
  /** What changed, one short sentence each. */
  readonly details: readonly string[]
}

/** Compares two versions rung by rung, by the steps' own ids, in the order of the later one; what was removed stands where it stood. */
export function compareVersions(
  before: readonly Step[],
  after: readonly Step[],
  nameOf: (productId: string) => string = (id) => id,
): RungDiff[] {
  const places = new Map(before.map((step, at) => [step.id, at]))
  const kept = after.filter((step) => places.has(step.id)).map((step) => places.get(step.id)!)
  const still = new Set(longestRise(kept))
  const rows = after.map((step, at): RungDiff => {
    const row = { stepId: step.id, title: step.title, to: at + 1 }
    const from = places.get(step.id)
    if (from === undefined) return { ...row, kind: 'added', moved: false, details: [] }
    const details = differences(before[from]!, step, nameOf)
    const kind = details.length > 0 ? 'changed' : 'same'
    return { ...row, kind, moved: !still.has(from), from: from + 1, details }
  })
  for (const [at, step] of before.entries()) {
    if (after.some((other) => other.id === step.id)) continue
    const { id: stepId, title } = step
    const removed = {
      stepId,
      title,
      kind: 'removed',
      moved: false,
      from: at + 1,
      details: [],
    } as const
    rows.splice(placeOfRemoved(rows, at), 0, removed)
  }
  return rows
}

/** Behind the last rung that stood before it and has not moved. */
const placeOfRemoved = (rows: readonly RungDiff[], from: number): number =>
  rows.findLastIndex((row) => row.from !== undefined && row.from <= from && !row.moved) + 1

/** A longest run of rising numbers: the rungs that need not be said to have moved. */
function longestRise(values: readonly number[]): number[] {
  const best: number[][] = []
  for (const value of values) {
    const before = best
      .filter((run) => run.at(-1)! < value)
      .reduce<number[]>((longest, run) => (run.length > longest.length ? run : longest), [])
    best.push([...before, value])
  }
  return best.reduce<number[]>((longest, run) => (run.length > longest.length ? run : longest), [])
}

const LABELS = {
  prepare: 'mixing',
  apply: 'on',
  dwell: 'processing',
  remove: 'off',
  settle: 'drying',
  hygiene: 'hygiene',
} as const
const timesOf = (part: Segment) =>
  `${inMinutes(part.minS)}–${inMinutes(part.usualS)}–${inMinutes(part.maxS)}`

type NameOf = (productId: string) => string

/** What changed about a rung, one short sentence each. */
const differences = (a: Step, b: Step, nameOf: NameOf): string[] =>
  DIFFERENCES.flatMap((difference) => difference(a, b, nameOf))

type Difference = (a: Step, b: Step, nameOf: NameOf) => readonly string[]

const saidIf = (isDifferent: boolean, words: string): string[] => (isDifferent ? [words] : [])

const DIFFERENCES: readonly Difference[] = [
  (a, b) => saidIf(a.title !== b.title, `called “${b.title}”, was “${a.title}”`),
  (a, b, nameOf) => {
    const name = ({ product }: Step) => (product ? nameOf(product.productId) : 'none')
    const isOther = a.product?.productId !== b.product?.productId
    return saidIf(isOther, `product: ${name(a)} → ${name(b)}`)
  },
  (a, b) => {
    const words = `device: ${a.deviceId ?? 'none'} → ${b.deviceId ?? 'none'}`
    return saidIf(a.deviceId !== b.deviceId, words)
  },
  (a, b) => {
    const isOther = !dequal([...a.zones].sort(), [...b.zones].sort())
    return saidIf(isOther, `zones: ${zonesInWords(a.zones)} → ${zonesInWords(b.zones)}`)
  },
  segmentDifferences,
  (a, b) => {
    const words = b.essential ? 'now in every visit' : 'no longer in every visit'
    return saidIf(a.essential !== b.essential, words)
  },
  (a, b) => saidIf(a.priority !== b.priority, `priority ${a.priority} → ${b.priority}`),
  (a, b) => {
    const rung = ({ lever }: Step) => (lever ? `${lever.lever} ${lever.rung}` : 'none')
    return saidIf(!dequal(a.lever, b.lever), `rung: ${rung(a)} → ${rung(b)}`)
  },
  ({ floating: was }, { floating }) => {
    const words = floating
      ? `hangs under a dwell that admits ${floating.needs}`
      : 'has its own time'
    return saidIf(!dequal(was, floating), words)
  },
  ({ movements: was = [] }, { movements = [] }) =>
    saidIf(!dequal(was, movements), `movements: ${was.length} → ${movements.length}`),
  (a, b) => saidIf(!dequal(rest(a), rest(b)), 'its conditions, words or tray'),
]

function segmentDifferences(a: Step, b: Step): string[] {
  const ids = ({ segments }: Step) => segments.map((part) => part.id)
  if (dequal(ids(a), ids(b)))
    return b.segments.flatMap((part, at) => partDifferences(a.segments[at]!, part))
  const kinds = ({ segments }: Step) => segments.map((part) => LABELS[part.kind]).join(', ')
  return [`parts: ${kinds(a)} → ${kinds(b)}`]
}

const withoutTimes = ({ minS: _least, usualS: _usual, maxS: _most, ...other }: Segment) => other

function partDifferences(was: Segment, part: Segment): string[] {
  const label = LABELS[part.kind]
  const words =
    was.usualS === part.usualS
      ? `${label}: limits ${timesOf(was)} → ${timesOf(part)} min`
      : `${label}: ${inMinutes(was.usualS)} → ${inMinutes(part.usualS)} min`
  return [
    ...saidIf(timesOf(was) !== timesOf(part), words),
    ...saidIf(!dequal(withoutTimes(was), withoutTimes(part)), `${label}: how it is done`),
  ]
}

const rest = ({
  condition,
  when,
  onlyIf,
  group,
  choice,
  variants,
  repeat,
  share,
  passes,
  tray,
  say,
  closes,
  gate,
  checks,
  concern,
  phase,
  properties,
}: Step) => ({
  condition,
  when,
  onlyIf,
  group,
  choice,
  variants,
  repeat,
  share,
  passes,
  tray,
  say,
  closes,
  gate,
  checks,
  concern,
  phase,
  properties,
})
