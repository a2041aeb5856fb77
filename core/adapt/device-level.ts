import type { Device, Shelf } from '../catalog/model'
import { deviceById } from '../catalog/shelf'
import { dateInWords } from '../client/facts'
import type { LevelUse, PastVisit } from '../climb/model'
import type { DeviceLevel, Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import { touches } from '../safety/touches'
import { zonesInWords } from '../skin/zones'
import { LEVER_KIND, SET_LEVERS, settingAt, type Subject } from '../strength'
import { rungAllowed } from './fit-words'

/** What a level is read from: the step as the rules see it, what is in force about it, and what past visits know. */
export interface Levelled {
  readonly subject: Subject
  readonly inForce: readonly Constraint[]
  readonly shelf: Shelf
  readonly history: readonly PastVisit[]
}

/** Rules about the client, the skin and the device are hard; what past visits show is a mark. */
const isHard = ({ ruleId }: Constraint): boolean => !ruleId.startsWith('E')
/** One tap, by how wide the range is: the depth of needles by twentieths of a millimetre, eight levels by ones, 100 % by fives. */
const STEPS: readonly (readonly [upTo: number, by: number])[] = [
  [2, 0.05],
  [15, 1],
  [Infinity, 5],
]
const stepOf = ({ from, to }: Pick<Setting, 'from' | 'to'>): number =>
  STEPS.find(([upTo]) => to - from <= upTo)![1]
const SAYS_MOST = 300

type Setting = NonNullable<NonNullable<Step['passes']>['setting']>

/** As the card sets it, else from the device's own start. */
function settingOf({ passes }: Step, { levels }: Device): Setting | undefined {
  return passes?.setting ?? (levels && { ...levels, setting: 'level', value: levels.start })
}

/** A fitted step with what its device may be set to today; as it is where the device has no levels. */
export function withDeviceLevel(levelled: Levelled): Step {
  const { subject, shelf, history } = levelled
  const { step } = subject
  const device = deviceById(shelf, step.deviceId)
  const setting = device && settingOf(step, device)
  if (!setting) return step
  const { from, value, unit } = setting
  const { mark, most, mostBy } = boundsOf(levelled, setting, device)
  const last = lastOf(history, device.id, setting.setting)
  const base = last?.uses.findLast(({ zones }) => zones === undefined)?.value
  const start = Math.max(from, Math.min(base ?? value, mark))
  const level: DeviceLevel = {
    ...{ setting: setting.setting, unit, start, mark, most },
    by: stepOf(setting),
    least: from,
    mostBy,
    ...(last ? { says: saysOf(setting.setting, start, last), last: last.uses.map(placeOf) } : {}),
  }
  return { ...step, deviceLevel: level }
}

/** Limits that are in force bind whether or not the card stands above them: hands can go up. */
function boundsOf(
  { subject, inForce }: Levelled,
  setting: Setting,
  device: Device,
): Pick<DeviceLevel, 'mark' | 'most' | 'mostBy'> {
  // Deeper needles are another treatment: what was weighed and asked was the depth as it is fitted.
  if (subject.properties.has('needling'))
    return { mark: setting.value, most: setting.value, mostBy: 'fitted' }
  const topOf = (rung: number): number =>
    Math.max(setting.from, settingAt({ ...setting, value: setting.to }, rung, device).value)
  const limits = inForce.filter((constraint) => touches(constraint, subject))
  const pulled = subject.levers.filter(({ lever }) => SET_LEVERS.includes(lever))
  const tops = pulled.map(({ lever, rung }) => {
    const written = subject.step.levers?.find((other) => other.lever === lever)?.writtenRung ?? rung
    const own = limits.filter(({ limit }) => limit?.kind === 'rung' && limit.lever === lever)
    const allowed = (of: readonly Constraint[]) =>
      of.map((constraint) => topOf(rungAllowed(constraint, written)))
    const past = allowed(own.filter((constraint) => !isHard(constraint)))
    return {
      hard: allowed(own.filter(isHard)),
      marks: LEVER_KIND[lever] === 'answering' ? [...past, topOf(rung)] : past,
    }
  })
  const most = Math.min(setting.to, ...tops.flatMap(({ hard }) => hard))
  const mark = Math.min(most, ...tops.flatMap(({ marks }) => marks))
  return { most, mark, mostBy: most < setting.to ? 'rule' : 'maker' }
}

interface Last {
  readonly on: string
  readonly uses: readonly LevelUse[]
}

/** What a device was set to when it last was otherwise than fitted: of a place, what was set last. */
function lastOf(
  history: readonly PastVisit[],
  deviceId: string,
  setting: string,
): Last | undefined {
  const isOf = (use: LevelUse) => use.deviceId === deviceId && use.setting === setting
  const visit = history
    .filter(({ levels }) => levels?.some(isOf))
    .reduce<PastVisit | undefined>((a, b) => (a && a.on > b.on ? a : b), undefined)
  if (!visit) return undefined
  const byPlace = new Map(
    visit.levels!.filter(isOf).map((use) => [use.zones?.join('+') ?? '', use]),
  )
  return { on: visit.on, uses: [...byPlace.values()] }
}

const placeOf = ({ value, why, zones }: LevelUse) => ({ value, why, ...(zones ? { zones } : {}) })

/** "begin at vacuum 35; last time (24 Nov 2026) 30 at the nose: reddened". */
function saysOf(setting: string, start: number, { on, uses }: Last): string {
  const used = uses.map(
    ({ value, zones, why }) => `${value}${zones ? ` at ${zonesInWords(zones)}` : ''}: ${why}`,
  )
  return `begin at ${setting} ${start}; last time (${dateInWords(on)}) ${used.join(', ')}`.slice(
    0,
    SAYS_MOST,
  )
}
