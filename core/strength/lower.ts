import type { Segment, Step } from '../protocol/model'
import type { LeverId } from '../protocol/words'
import { minutes } from '../quantity/time'
import { acidMinutesAt, acidPercentOf } from './acid'
import { saidRung, secondsOfUsual } from './levers'
import { actingSeconds, governed, puttingOnSeconds, usualSecondsOf, type StepPart } from './parts'
import { softened } from './pressure'
import { retinoidRung } from './retinoid'
import { HIGHEST_RUNG, limitAt, RUNGS } from './rungs'
import { settingAt } from './setting'
import type { Subject } from './subject'

/**
 * The step with the minutes of these segments cut to at most `allowedS` seconds. With `isHeld` undefined is given where that falls below
 * what they need at least; else the least gives way: what a rule allows comes before what a card wants.
 */
export function capSegments(
  step: Step,
  segments: readonly Segment[],
  allowedS: number,
  isHeld: boolean,
): Step | undefined {
  if (allowedS === Infinity) return step
  const totalS = segments.reduce((sum, segment) => sum + segment.usualS, 0)
  const leastS = segments.reduce((sum, segment) => sum + segment.minS, 0)
  if (allowedS <= 0 || (isHeld && leastS > allowedS)) return undefined
  const capped = (segment: Segment): Segment => {
    if (totalS <= allowedS)
      return { ...segment, maxS: Math.min(segment.maxS, Math.max(segment.usualS, allowedS)) }
    const share = Math.floor((segment.usualS * allowedS) / totalS)
    const usualS = isHeld ? Math.max(segment.minS, share) : share
    return {
      ...segment,
      usualS,
      minS: Math.min(segment.minS, usualS),
      maxS: Math.max(usualS, Math.min(segment.maxS, allowedS)),
    }
  }
  return {
    ...step,
    segments: step.segments.map((segment) =>
      segments.includes(segment) ? capped(segment) : segment,
    ),
  }
}

/** The step with its governed minutes at most so many, of what acts from its first touch on; undefined below what it needs at least. */
export const capMinutes = ({ step, parts }: Subject, mostMinutes: number): Step | undefined =>
  capSegments(
    step,
    governed(step.segments),
    minutes(mostMinutes) - Math.max(0, ...parts.map(puttingOnSeconds)),
    true,
  )

/** The step with each of its products no longer on than its maker prints; undefined where one needs longer at least. */
export const asPrinted = ({ step, parts }: Subject): Step | undefined =>
  parts.reduce<Step | undefined>((sofar, part) => {
    const most = part.product?.maker?.minutes?.most
    if (!sofar || most === undefined) return sofar
    return capPart(sofar, part, minutes(most), true)
  }, step)

type Lower = (step: Step, part: StepPart, rung: number, lever: LeverId) => Step | undefined

const asItIs: Lower = (step) => step
const partSegments = (step: Step, part: StepPart): Segment[] => {
  const ids = new Set(governed(part.segments).map((segment) => segment.id))
  return step.segments.filter((segment) => ids.has(segment.id))
}

/** The step with one of its products acting no longer than so many seconds, putting it on included. */
const capPart = (step: Step, part: StepPart, allowedS: number, isHeld: boolean): Step | undefined =>
  capSegments(step, partSegments(step, part), allowedS - puttingOnSeconds(part), isHeld)

const acidLower: Lower = (step, part, rung) => {
  const percent = acidPercentOf(part.product)
  // Of what strength it is nobody knows: it cannot be made weaker.
  if (percent === undefined)
    return (part.product ? HIGHEST_RUNG : (saidRung(step, 'acid') ?? HIGHEST_RUNG)) <= rung
      ? step
      : undefined
  const most = acidMinutesAt({ percent, isLeftOn: part.isLeftOn }, rung)
  if (part.isLeftOn) return most === 0 ? undefined : step
  return capPart(step, part, most * 60, false)
}

const timedLower: Lower = (step, part, rung, lever) => {
  const usualS = usualSecondsOf(part)
  const now = saidRung(step, lever)
  const ofS =
    usualS > 0
      ? usualS
      : actingSeconds(part) / (RUNGS.enzyme.share![(now ?? RUNGS.enzyme.share!.length) - 1] ?? 1)
  return capPart(step, part, secondsOfUsual(ofS, rung), false)
}

const minutesLower: Lower = (step, part, rung, lever) => {
  const most = limitAt(RUNGS[lever].minutes!, rung)
  return capPart(step, part, most === undefined ? Infinity : most * 60, false)
}

function settingLower(step: Step, part: StepPart, rung: number): Step {
  const { passes } = step
  if (!passes) return step
  if (passes.setting)
    return { ...step, passes: { ...passes, setting: settingAt(passes.setting, rung, part.device) } }
  // A figure in words would say what was written, not what is allowed.
  const { level, ...rest } = passes
  return level !== undefined && /\d/.test(level) ? { ...step, passes: rest } : step
}

const LOWERS: Readonly<Record<LeverId, Lower>> = {
  acid: acidLower,
  enzyme: timedLower,
  warming: timedLower,
  steam: minutesLower,
  extraction: minutesLower,
  pressure: (step, _part, rung) => softened(step, rung),
  exfoliation: asItIs,
  light: asItIs,
  current: settingLower,
  suction: settingLower,
  rf: settingLower,
  retinoid: (step, part, rung) => ((retinoidRung(part.product) ?? 0) <= rung ? step : undefined),
}

/**
 * The step on at most this rung of a lever: minutes, movements and setting follow. Undefined where it cannot be: rung 0, or too strong a
 * product. What stands lower already stays as it is.
 */
export function onRung(subject: Subject, lever: LeverId, rung: number): Step | undefined {
  const now = subject.levers.find((pulled) => pulled.lever === lever)?.rung
  const { step } = subject
  if (now === undefined) return step
  if (rung < 1) return undefined
  const lowered =
    now <= rung
      ? step
      : subject.parts.reduce<Step | undefined>(
          (sofar, part) => sofar && LOWERS[lever](sofar, part, rung, lever),
          step,
        )
  return lowered && withRung(lowered, lever, Math.min(now, rung), now)
}

/** The step with every lever it pulls noted: where it stands, and where it stood as written. */
export function withLevers(step: Step, read: (step: Step) => Subject): Step {
  const levers = read(step).levers.map(({ lever, rung }) => {
    const before = step.levers?.find((pulled) => pulled.lever === lever)
    return { lever, rung, writtenRung: Math.max(rung, before?.writtenRung ?? rung) }
  })
  const { levers: _, ...rest } = step
  return levers.length > 0 ? { ...rest, levers } : rest
}

/** The step with a lever's rung of today noted, and the one it stood on as written. */
export function withRung(step: Step, lever: LeverId, rung: number, writtenRung: number): Step {
  const before = step.levers ?? []
  if (!before.some((pulled) => pulled.lever === lever))
    return { ...step, levers: [...before, { lever, rung, writtenRung }] }
  return {
    ...step,
    levers: before.map((pulled) => (pulled.lever === lever ? { ...pulled, rung } : pulled)),
  }
}
