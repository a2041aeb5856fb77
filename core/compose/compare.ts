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
    const from = places.get(step.id)
    if (from === undefined)
      return {
        stepId: step.id,
        title: step.title,
        kind: 'added',
        moved: false,
        to: at + 1,
        details: [],
      }
    const details = differences(before[from]!, step, nameOf)
    return {
      stepId: step.id,
      title: step.title,
      kind: details.length > 0 ? 'changed' : 'same',
      moved: !still.has(from),
      from: from + 1,
      to: at + 1,
      details,
    }
  })
  for (const [at, step] of before.entries()) {
    if (after.some((one) => one.id === step.id)) continue
    const anchor = rows.findLastIndex(
      (row) => row.from !== undefined && row.from <= at && !row.moved,
    )
    rows.splice(anchor + 1, 0, {
      stepId: step.id,
      title: step.title,
      kind: 'removed',
      moved: false,
      from: at + 1,
      details: [],
    })
  }
  return rows
}

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

function differences(a: Step, b: Step, nameOf: (productId: string) => string): string[] {
  const said: string[] = []
  const put = (when: boolean, words: string) => {
    if (when) said.push(words)
  }
  put(a.title !== b.title, `called “${b.title}”, was “${a.title}”`)
  put(
    a.product?.productId !== b.product?.productId,
    `product: ${a.product ? nameOf(a.product.productId) : 'none'} → ${b.product ? nameOf(b.product.productId) : 'none'}`,
  )
  put(a.deviceId !== b.deviceId, `device: ${a.deviceId ?? 'none'} → ${b.deviceId ?? 'none'}`)
  put(
    JSON.stringify([...a.zones].sort()) !== JSON.stringify([...b.zones].sort()),
    `zones: ${zonesInWords(a.zones)} → ${zonesInWords(b.zones)}`,
  )
  said.push(...segmentDifferences(a, b))
  put(a.essential !== b.essential, b.essential ? 'now in every visit' : 'no longer in every visit')
  put(a.priority !== b.priority, `priority ${a.priority} → ${b.priority}`)
  put(
    JSON.stringify(a.lever) !== JSON.stringify(b.lever),
    `rung: ${a.lever ? `${a.lever.lever} ${a.lever.rung}` : 'none'} → ${b.lever ? `${b.lever.lever} ${b.lever.rung}` : 'none'}`,
  )
  put(
    JSON.stringify(a.floating) !== JSON.stringify(b.floating),
    b.floating ? `hangs under a dwell that admits ${b.floating.needs}` : 'has its own time',
  )
  put(
    JSON.stringify(a.movements ?? []) !== JSON.stringify(b.movements ?? []),
    `movements: ${a.movements?.length ?? 0} → ${b.movements?.length ?? 0}`,
  )
  put(JSON.stringify(rest(a)) !== JSON.stringify(rest(b)), 'its conditions, words or tray')
  return said
}

function segmentDifferences(a: Step, b: Step): string[] {
  if (a.segments.map((part) => part.id).join() !== b.segments.map((part) => part.id).join())
    return [
      `parts: ${a.segments.map((part) => LABELS[part.kind]).join(', ')} → ${b.segments.map((part) => LABELS[part.kind]).join(', ')}`,
    ]
  return b.segments.flatMap((part, at) => {
    const was = a.segments[at]!
    const time =
      timesOf(was) === timesOf(part)
        ? []
        : [
            was.usualS === part.usualS
              ? `${LABELS[part.kind]}: limits ${timesOf(was)} → ${timesOf(part)} min`
              : `${LABELS[part.kind]}: ${inMinutes(was.usualS)} → ${inMinutes(part.usualS)} min`,
          ]
    const other =
      JSON.stringify({ ...was, minS: 0, usualS: 0, maxS: 0 }) ===
      JSON.stringify({ ...part, minS: 0, usualS: 0, maxS: 0 })
        ? []
        : [`${LABELS[part.kind]}: how it is done`]
    return [...time, ...other]
  })
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
