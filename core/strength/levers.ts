import type { Step } from '../protocol/model'
import { LEVERS, type LeverId, type Property } from '../protocol/words'
import { acidPercentOf, acidRung } from './acid'
import {
  actingMinutes,
  actingSeconds,
  governedMinutes,
  usualSecondsOf,
  type StepPart,
} from './parts'
import { firmestOf, pressureRung } from './pressure'
import { retinoidRung } from './retinoid'
import { HIGHEST_RUNG, rungHolding, RUNGS, TOP_RUNG } from './rungs'
import { settingRung } from './setting'

/** One lever that a step pulls, and how far up. */
export interface LeverRung {
  readonly lever: LeverId
  readonly rung: number
}

/** What a card says of a lever that is led by words alone: how firm, how thorough. A fitted step says it of today. */
export const saidRung = (step: Step, lever: LeverId): number | undefined =>
  step.levers?.find((pulled) => pulled.lever === lever)?.rung ??
  (step.lever?.lever === lever ? step.lever.rung : undefined)

/** The levers of a fitted step as it was done; a plan of an earlier engine names the one its card had. */
export const leversPulled = ({ levers, lever }: Step): LeverRung[] => {
  if (levers) return levers.map(({ lever, rung }) => ({ lever, rung }))
  return lever ? [{ lever: lever.lever, rung: lever.rung }] : []
}

const has = ({ properties }: StepPart, ...any: Property[]): boolean =>
  any.some((property) => properties.has(property))

/** Seconds that a rung leaves of the maker's own usual ones, to the half minute; the whole of them at the top of the table. */
export function secondsOfUsual(usualS: number, rung: number): number {
  const share = RUNGS.enzyme.share![rung - 1]
  if (share === undefined) return Infinity
  return share === 1
    ? usualS
    : Math.max(HALF_MINUTE_S, Math.round((usualS * share) / HALF_MINUTE_S) * HALF_MINUTE_S)
}
const HALF_MINUTE_S = 30

/** How far a timed work goes of what its maker says is usual; the top where the maker says nothing. */
function timedRung(part: StepPart, step: Step, lever: LeverId): number {
  const usualS = usualSecondsOf(part)
  if (usualS === 0) return saidRung(step, lever) ?? TOP_RUNG
  const ownS = actingSeconds(part)
  const rungs = RUNGS.enzyme.share!.map((_, at) => at + 1)
  return rungs.find((rung) => ownS <= secondsOfUsual(usualS, rung)) ?? HIGHEST_RUNG
}

const byMinutes = (lever: 'steam' | 'extraction', part: StepPart): number =>
  rungHolding(RUNGS[lever].minutes!, governedMinutes(part.segments))

/** A device's setting; without one what the card says, and without that the top: nothing is taken for weak that nobody has written. */
function setRung(part: StepPart, step: Step, lever: LeverId): number {
  const setting = step.passes?.setting
  return setting ? settingRung(setting, part.device) : (saidRung(step, lever) ?? TOP_RUNG)
}

type Judge = (part: StepPart, step: Step) => number | undefined

/** How thorough a grain, a blade or a roll is where nobody says. */
const USUAL_EXFOLIATION = 3
/** How firm a massage is where nobody says. */
const USUAL_PRESSURE = 3

const GRAINS: readonly Property[] = ['scrub', 'gommage', 'mechanical', 'blade', 'ultrasonic-blade']
/** Exfoliation that has a lever of its own. */
const OTHER_EXFOLIATION: readonly Property[] = ['acid', 'enzyme', 'suction', 'needling', 'retinoid']

/** Where one part of a step stands on each lever; undefined where it does not pull it. Properties decide, never titles. */
const JUDGES: Readonly<Record<LeverId, Judge>> = {
  acid: (part, step) => {
    if (!has(part, 'acid') || !has(part, 'exfoliating')) return undefined
    const percent = acidPercentOf(part.product)
    if (percent === undefined)
      return part.product ? HIGHEST_RUNG : (saidRung(step, 'acid') ?? HIGHEST_RUNG)
    return acidRung({ percent, minutes: actingMinutes(part), isLeftOn: part.isLeftOn })
  },
  enzyme: (part, step) => (has(part, 'enzyme') ? timedRung(part, step, 'enzyme') : undefined),
  warming: (part, step) =>
    has(part, 'warming', 'self-heating') ? timedRung(part, step, 'warming') : undefined,
  steam: (part) => (has(part, 'steam') ? byMinutes('steam', part) : undefined),
  extraction: (part) => (has(part, 'extraction') ? byMinutes('extraction', part) : undefined),
  pressure: (part, step) => {
    const firmest = firmestOf(step)
    if (firmest !== undefined) return firmest
    if (has(part, 'firm-pressure')) return pressureRung('firm')
    const said = saidRung(step, 'pressure')
    return said ?? (step.phase === 'massage' || has(part, 'pressure') ? USUAL_PRESSURE : undefined)
  },
  exfoliation: (part, step) => {
    const isOwn =
      has(part, ...GRAINS) || (has(part, 'exfoliating') && !has(part, ...OTHER_EXFOLIATION))
    return isOwn ? (saidRung(step, 'exfoliation') ?? USUAL_EXFOLIATION) : undefined
  },
  current: (part, step) => (has(part, 'current') ? setRung(part, step, 'current') : undefined),
  suction: (part, step) => (has(part, 'suction') ? setRung(part, step, 'suction') : undefined),
  rf: (part, step) => (has(part, 'rf') ? setRung(part, step, 'rf') : undefined),
  light: (part, step) =>
    has(part, 'led', 'led-blue') ? (saidRung(step, 'light') ?? TOP_RUNG) : undefined,
  retinoid: (part, step) =>
    has(part, 'retinoid')
      ? (retinoidRung(part.product) ?? saidRung(step, 'retinoid') ?? TOP_RUNG)
      : undefined,
}

/** Every lever one part of a step pulls. */
export const leversOfPart = (part: StepPart, step: Step): LeverRung[] =>
  LEVERS.flatMap((lever) => {
    const rung = JUDGES[lever](part, step)
    return rung === undefined ? [] : [{ lever, rung }]
  })

/** Every lever a step pulls: of several parts the highest counts. */
export function leversOfParts(parts: readonly StepPart[], step: Step): LeverRung[] {
  const all = parts.flatMap((part) => leversOfPart(part, step))
  return LEVERS.flatMap((lever) => {
    const rungs = all.filter((pulled) => pulled.lever === lever).map(({ rung }) => rung)
    return rungs.length > 0 ? [{ lever, rung: Math.max(...rungs) }] : []
  })
}
