import type { Segment, Step } from '../protocol/model'
import { onClient, placeOf, presenceOf, usesHands } from '../protocol/segments'
import { LOCAL_TOOLS } from '../protocol/words'
import type { Chain, Lag, Part, Pin, PlacingProblem } from '../schedule/problem'
import { ELSEWHERE, zonesMeet, WHOLE_FACE, type ZoneId } from '../skin/zones'
import type { Reservation } from './wish'

/** How long a mix stands when its product does not say. */
const DEFAULT_POT_LIFE_S = 300
const KIND_WORDS: Readonly<Record<Segment['kind'], string>> = {
  prepare: 'mixing',
  apply: 'on',
  dwell: 'working',
  remove: 'off',
  settle: 'drying',
  hygiene: 'washing hands',
}
const QUIET_PLACE_NEEDS = 'quiet'

export const partId = (step: Pick<Step, 'id'>, segment: Pick<Segment, 'id'>): string =>
  `${step.id}/${segment.id}`

/** A visit under way, in whole seconds from its start: what has begun, and what was left out. */
export interface Underway {
  readonly nowS: number
  /** Segments that have begun, by id; without an end they are running. */
  readonly begun: ReadonlyMap<string, Pin>
  readonly leftOut: ReadonlySet<string>
  /** How long a part lasts in all, by its id: an active layer that was touched already (by its dwell, rule D24), work in which hands have rested. */
  readonly lasts?: ReadonlyMap<string, number>
}

/** A ladder as a placing problem. Floating steps get every dwell that admits them as a possible host, the longest first. A visit under way waits for no device. */
export function placingOf(
  steps: readonly Step[],
  underway?: Underway,
  reserved: readonly Reservation[] = [],
): PlacingProblem {
  const chains = steps.map((step) => chainOf(step, steps, underway))
  if (underway) return { chains, lags: [], pins: underway.begun, notBeforeS: underway.nowS }
  // What ended before this visit begins is in nobody's way.
  const needed = new Set(steps.flatMap((step) => step.deviceId ?? []))
  return {
    chains: [
      ...chains,
      ...reserved
        .filter(({ deviceId, toS }) => toS > 0 && (deviceId === undefined || needed.has(deviceId)))
        .map(elsewhere),
    ],
    lags: steps.flatMap((step) => lagOf(step, steps)),
  }
}

const elsewhere = ({ deviceId, fromS: began, toS }: Reservation, at: number): Chain => {
  const fromS = Math.max(0, began)
  const name = deviceId === undefined ? 'the client next door' : 'the device next door'
  return {
    ...{ id: `reserved-${at}`, name, reservedFromS: fromS },
    parts: [
      {
        ...{ id: `reserved-${at}/use`, name },
        leastS: toS - fromS,
        mostS: toS - fromS,
        hands: deviceId === undefined,
        at: 'away',
        needs: 'away',
        zones: [],
        mayStretch: false,
        ...(deviceId === undefined ? {} : { device: deviceId }),
      },
    ],
  }
}

/** The latest a step may begin after another; nothing when that one is not in the visit. */
function lagOf(step: Step, steps: readonly Step[]): Lag[] {
  const before = step.within && steps.find((other) => other.id === step.within!.stepId)
  const first = step.segments.find((part) => part.kind !== 'prepare')
  const last = before?.segments.at(-1)
  return before && first && last
    ? [
        {
          fromPart: partId(before, last),
          toPart: partId(step, first),
          minS: 0,
          maxS: step.within!.seconds,
        },
      ]
    : []
}

/** True when a part of the step has begun. */
export const hasBegun = (step: Step, underway: Underway | undefined): boolean =>
  underway !== undefined &&
  step.segments.some((segment) => underway.begun.has(partId(step, segment)))

function chainOf(step: Step, steps: readonly Step[], underway: Underway | undefined): Chain {
  const [first, ...rest] = step.segments
  const prepare = first?.kind === 'prepare' ? first : undefined
  const parts = (prepare ? rest : step.segments).map((segment) =>
    heldTo(partOf(step, segment), underway),
  )
  return {
    id: step.id,
    name: step.title,
    parts,
    ...(step.beside ? { beside: step.beside } : {}),
    ...(prepare
      ? {
          prepare: {
            part: heldTo(partOf(step, prepare), underway),
            potLifeS: prepare.potLifeS ?? DEFAULT_POT_LIFE_S,
            ...(prepare.restS ? { restS: prepare.restS } : {}),
            ...(prepare.workingS === undefined ? {} : { workingS: prepare.workingS }),
          },
        }
      : {}),
    ...(step.floating && !hasOutlived(step, steps, underway)
      ? { hosts: hostsNow(step, steps, underway), over: step.floating.over ?? false }
      : {}),
  }
}

/** Hosts that can still take a step: for one that hangs already the dwell it began under, else those that are not over. */
function hostsNow(step: Step, steps: readonly Step[], underway: Underway | undefined): Host[] {
  const hosts = hostsOf(step, steps)
  if (!underway) return hosts
  const pinOf = (id: string): Pin | undefined => underway.begun.get(id)
  const beganS = Math.min(
    ...step.segments.flatMap((segment) => pinOf(partId(step, segment))?.startS ?? []),
  )
  if (beganS === Infinity) return hosts.filter((host) => pinOf(host.partId)?.endS === undefined)
  // What is left of it must still fit under the mask; else both come off as soon as hands allow, each on its own.
  const leftS = step.segments.reduce(
    (sum, segment) => sum + leftOf(segment, pinOf(partId(step, segment)), underway.nowS),
    0,
  )
  return hosts.filter((host) => {
    const pin = pinOf(host.partId)
    return (
      pin !== undefined &&
      pin.endS === undefined &&
      pin.startS <= beganS &&
      underway.nowS + leftS <= pin.startS + host.maxS
    )
  })
}

/** Seconds a segment still takes from now. */
function leftOf(segment: Segment, pin: Pin | undefined, nowS: number): number {
  if (pin === undefined) return segment.usualS
  return pin.endS === undefined ? Math.max(0, segment.usualS - (nowS - pin.startS)) : 0
}

/** An enhancement that has begun and whose mask is off already, or that is over itself: it hangs under nothing any more. */
function hasOutlived(step: Step, steps: readonly Step[], underway: Underway | undefined): boolean {
  if (!underway || !hasBegun(step, underway)) return false
  return (
    step.segments.every(
      (segment) => underway.begun.get(partId(step, segment))?.endS !== undefined,
    ) || hostsNow(step, steps, underway).length === 0
  )
}

/** However long it took to put on, an active layer comes off when its minutes are over. */
function heldTo(part: Part, underway: Underway | undefined): Part {
  const lengthS = underway?.lasts?.get(part.id)
  return lengthS === undefined ? part : { ...part, leastS: lengthS, mostS: lengthS }
}

function partOf(step: Step, segment: Segment): Part {
  const stretches = segment.kind === 'dwell' && !segment.active
  return {
    id: partId(step, segment),
    name: `${step.title}, ${KIND_WORDS[segment.kind]}`,
    leastS: segment.usualS,
    mostS: stretches ? Math.max(segment.usualS, segment.maxS) : segment.usualS,
    hands: usesHands(segment),
    at: placeOf(segment),
    needs: presenceOf(segment),
    zones: footprint(step, segment),
    mayStretch: stretches,
    ...(step.deviceId && segment.kind !== 'prepare' ? { device: step.deviceId } : {}),
  }
}

/** Zones a segment takes: the step's own, the whole face under a towel, and what a panel or steamer puts out of reach. */
function footprint(step: Step, segment: Segment): readonly ZoneId[] {
  if (!onClient(segment)) return []
  const wide =
    segment.kind === 'remove' &&
    segment.tool !== undefined &&
    !LOCAL_TOOLS.includes(segment.tool) &&
    zonesMeet(step.zones, WHOLE_FACE)
  return [
    ...new Set([
      ...(segment.zones ?? step.zones),
      ...(wide ? WHOLE_FACE : []),
      ...(segment.blocks ?? []),
    ]),
  ]
}

/** A dwell that admits an enhancement. */
interface Host {
  readonly chainId: string
  readonly partId: string
  readonly maxS: number
}
/** Dwells that admit a floating step, the longest first. */
export function hostsOf(step: Step, steps: readonly Step[]): Host[] {
  const needs = step.floating?.needs ?? QUIET_PLACE_NEEDS
  return steps
    .filter((host) => !host.floating && host.id !== step.id)
    .flatMap((host) =>
      host.segments
        .filter((segment) => segment.kind === 'dwell' && segment.admits?.includes(needs))
        .map((segment) => ({ host, segment })),
    )
    .sort((a, b) => b.segment.usualS - a.segment.usualS)
    .map(({ host, segment }) => ({
      chainId: host.id,
      partId: partId(host, segment),
      maxS: segment.maxS,
    }))
}

/** True when hands touched hair, feet or the like and go back to the face: hygiene comes between. */
export const needsHygiene = (step: Step): boolean =>
  zonesMeet(step.zones, ELSEWHERE) && !step.segments.some((segment) => segment.kind === 'hygiene')
