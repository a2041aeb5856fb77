import type { Device, Shelf } from '../catalog/model'
import { deviceById } from '../catalog/shelf'
import { dateInWords } from '../client/facts'
import type { LevelUse, PastVisit } from '../climb/model'
import type { Step } from '../protocol/model'
import { zonesInWords } from '../skin/zones'
import { RUNGS, TOP_RUNG } from '../strength'
import type { Change } from './change'

/** What a device may be set to in one step: where hands begin, the mark of the fitted rung, and what nothing goes above. */
export interface DeviceLevel {
  readonly deviceId: string
  /** "vacuum"; "level" where its card says nothing. */
  readonly setting: string
  readonly unit: string
  /** One tap. */
  readonly by: number
  readonly least: number
  readonly start: number
  /** The fitted rung: above it only with a reason. */
  readonly mark: number
  readonly most: number
  readonly mostBy: 'maker' | 'rule'
  /** What it was set to otherwise than fitted when it was last used. */
  readonly last?: { readonly on: string; readonly uses: readonly LevelUse[] }
}

const SET_LEVERS: ReadonlySet<string> = new Set(['current', 'suction', 'rf'])
/** Rules about the client, the skin and the device are hard; what past visits show is a mark. */
const isHard = (ruleId: string): boolean => !ruleId.startsWith('E')
/** A range of so many steps goes by ones. */
const FINE_RANGE = 15
const COARSE = 5

interface Range {
  readonly setting: string
  readonly unit: string
  readonly from: number
  readonly to: number
  readonly fitted: number
  readonly start: number
}

function rangeOf({ passes }: Step, { levels }: Device): Range | undefined {
  const set = passes?.setting
  if (set) {
    const start = levels?.unit === set.unit ? levels.start : set.from
    return { ...set, fitted: set.value, start }
  }
  return levels && { setting: 'level', ...levels, fitted: levels.start }
}

/** What a step's device may be set to. `changes`: the fit's own; undefined for a device without levels. */
export function deviceLevelOf(
  step: Step,
  shelf: Shelf,
  changes: readonly Change[],
  history: readonly PastVisit[],
): DeviceLevel | undefined {
  const device = deviceById(shelf, step.deviceId)
  const range = device && rangeOf(step, device)
  if (!range) return undefined
  const { from, to, fitted, setting } = range
  const { mark, most } = boundsOf(step, range, changes)
  const last = lastOf(history, device.id, setting)
  const base = last?.uses.findLast(({ zones }) => zones === undefined)?.value
  return {
    ...{ deviceId: device.id, setting, unit: range.unit },
    by: to - from <= FINE_RANGE ? 1 : COARSE,
    least: from,
    start: Math.max(from, Math.min(base ?? fitted, mark)),
    ...{ mark, most, mostBy: most < to ? 'rule' : 'maker' },
    ...(last ? { last } : {}),
  }
}

function boundsOf(
  { id, levers }: Step,
  { from, to, start }: Range,
  changes: readonly Change[],
): Pick<DeviceLevel, 'mark' | 'most'> {
  const lowered = levers?.find(
    ({ lever, rung, writtenRung }) => SET_LEVERS.has(lever) && rung < writtenRung,
  )
  if (!lowered) return { mark: to, most: to }
  const top = Math.max(from, topOf(lowered.rung, start, to))
  const isByRule = changes.some(
    ({ kind, stepId, why }) =>
      kind === 'rung' && stepId === id && why.some(({ ruleId }) => isHard(ruleId)),
  )
  return { mark: top, most: isByRule ? top : to }
}

/** The highest value on a rung. */
function topOf(rung: number, start: number, to: number): number {
  const share = RUNGS.current.share![Math.min(rung, TOP_RUNG) - 1]!
  return Math.floor(start + share * (to - start))
}

function lastOf(
  history: readonly PastVisit[],
  deviceId: string,
  setting: string,
): DeviceLevel['last'] {
  const isOf = (use: LevelUse) => use.deviceId === deviceId && use.setting === setting
  const visit = history
    .filter(({ levels }) => levels?.some(isOf))
    .reduce<PastVisit | undefined>((a, b) => (a && a.on > b.on ? a : b), undefined)
  if (!visit) return undefined
  // What was set last of a place is what it was set to.
  const byPlace = new Map(
    visit.levels!.filter(isOf).map((use) => [use.zones?.join('+') ?? '', use]),
  )
  return { on: visit.on, uses: [...byPlace.values()] }
}

/** "2 at the temples: too strong". */
const useInWords = ({ value, zones, why }: LevelUse): string =>
  `${value}${zones ? ` at ${zonesInWords(zones)}` : ''}: ${why}`

/** A fitted step with what its device begins at, where past visits know it. */
export function withStart(
  step: Step,
  shelf: Shelf,
  changes: readonly Change[],
  history: readonly PastVisit[],
): Step {
  const level = deviceLevelOf(step, shelf, changes, history)
  if (!level?.last) return step
  const { on, uses } = level.last
  const says = `begin at ${level.setting} ${level.start}; last time (${dateInWords(on)}) ${uses.map(useInWords).join(', ')}`
  return { ...step, startAt: { value: level.start, says: says.slice(0, SAYS_MOST) } }
}
const SAYS_MOST = 300
