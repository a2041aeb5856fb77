import type { PlacedSegment } from '../adapt/plan'
import { useOf } from '../catalog/shelf'
import {
  clothName,
  doseFor,
  doseInWords,
  forApplying,
  forRemoval,
  isHeated,
  mixCards,
  type MixCard,
} from '../mixing'
import type { Segment, Step } from '../protocol/model'
import { TEMPERATURE_WORDS, type Tool } from '../protocol/words'
import { musclesUnder, type MuscleId } from '../skin/muscles'
import type { ZoneId } from '../skin/zones'
import { SUPPLY_NAMES, type Laid } from '../protocol/tray'
import { durationInWords, inMinutes } from '../quantity'
import { partOf, pickOf, type Guided, type Part } from './part'
import {
  AWAY,
  BY_HAND,
  CHECK,
  DRYING,
  FEELS,
  IN_ORDER,
  OFF,
  ON,
  TELL,
  WASHING,
  WATCHED,
  type HandWork,
} from './tables/technique'

/** What stands beside the clock while hands work: four questions in the order in which they are asked. */
export interface Guide {
  /** "On", "Mix", "Set up", "Take off". */
  readonly verb: string
  readonly with: readonly string[]
  /** The whole card of a bowl, while it is mixed. */
  readonly mix?: MixCard
  readonly where: readonly ZoneId[]
  /** Zones of the card that are left out today. */
  readonly leftOut: readonly ZoneId[]
  /** What is followed while it is put on, from origin to insertion. */
  readonly muscles?: readonly MuscleId[]
  readonly how: readonly string[]
  readonly say?: string
}

/** What with, where, how and what to say at one segment of a ladder; undefined for a segment that is none of it. */
export function guideOf(guided: Guided, placed: PlacedSegment): Guide | undefined {
  const part = partOf(guided, placed)
  if (!part) return undefined
  const mix = placed.kind === 'prepare' ? mixOf(guided, part) : undefined
  const say = sayOf(part)
  const where = part.segment.zones ?? part.step.zones
  const isFollowed = part.step.follows === 'muscles' && placed.kind === 'apply'
  const muscles = isFollowed ? musclesUnder(where) : []
  return {
    verb: verbFor(part),
    with: WITH[placed.kind](guided, part),
    ...(mix ? { mix } : {}),
    where,
    ...(muscles.length > 0 ? { muscles } : {}),
    leftOut: (part.original?.zones ?? []).filter((zone) => !part.step.zones.includes(zone)),
    how: howOf(part, mix),
    ...(say === undefined ? {} : { say }),
  }
}

const mixOf = ({ shelf, waterC, size }: Guided, { step, product }: Part): MixCard | undefined =>
  product && mixCards([step], shelf, waterC, size).find((card) => card.product.id === product.id)

/** Work that needs neither product nor device. */
const handWork = ({ phase, gate }: Step): HandWork =>
  gate === 'quick-check' ? CHECK : (BY_HAND[phase] ?? BY_HAND.other)
/** A device goes away; it is not taken off the skin. */
const goesAway = ({ segment, product, device }: Part): boolean =>
  device !== undefined && product === undefined && (segment.tool ?? 'none') === 'none'

type Kind = Segment['kind']
type ByKind<T> = Readonly<Record<Kind, T>>

/** A change of tip, a ring or shields are set up; only a bowl is mixed. */
const VERBS: ByKind<(part: Part) => string> = {
  prepare: ({ device, product }) => (device || !product ? 'Set up' : 'Mix'),
  apply: ({ step, device, product }) => {
    if (product) return 'On'
    return device ? 'Work' : handWork(step).verb
  },
  dwell: () => 'Working',
  remove: (part) => (goesAway(part) ? 'Away' : 'Take off'),
  settle: () => 'Drying',
  hygiene: () => 'Wash hands',
}
function verbFor(part: Part): string {
  const { coat, polarity, kind } = part.segment
  if (coat) return `Coat ${coat}`
  return polarity ? `On, ${polarity} pole` : VERBS[kind](part)
}

const namesOf = ({ product, device }: Part): string[] =>
  [product?.name ?? device?.name].filter((name) => name !== undefined)
const WITH: ByKind<(guided: Guided, part: Part) => string[]> = {
  prepare: (guided, part) =>
    part.device ? [part.device.name, ...part.device.setup] : productWords(guided, part),
  apply: (guided, part) => [
    ...(part.device ? [part.device.name] : []),
    ...productWords(guided, part),
    ...laidWords(part.product && forApplying(part.product)),
  ],
  remove: (_, part) => [goesAway(part) ? part.device!.name : toolOff(part)],
  dwell: (_, part) => namesOf(part),
  settle: (_, part) => namesOf(part),
  hygiene: () => ['soap and water'],
}

/** "2 pumps · 3.2 mL Grape Seed Oil"; hands alone where there is neither product nor device. */
function productWords({ size }: Guided, { step, segment, product, device }: Part): string[] {
  if (!product) return device ? [] : [handWork(step).with]
  const zones = segment.zones ?? step.zones
  const use = useOf(product, pickOf(step, segment)?.useId)
  const dose = doseFor(product, use, zones, step.share, size)
  return [dose ? `${doseInWords(dose, product.measure)} ${product.name}` : product.name]
}

const counted = (count: number, name: string): string => (count > 1 ? `${count} ${name}` : name)
/** As it lies on the tray: "4 cotton pads". */
const laidWords = (laid: Laid | undefined): string[] =>
  laid ? [counted(laid.count, SUPPLY_NAMES[laid.id])] : []

/** What it comes off with, as it lies on the tray, and how warm the water is; hands where nothing is laid out for it. */
function toolOff({ segment, product }: Part): string {
  const laid = forRemoval(segment, product)
  if (!laid) return segment.tool === 'water' ? 'water' : 'your hands'
  const cloth = counted(laid.count, clothName(segment, laid))
  const { temperature } = segment
  return temperature === undefined || isHeated(laid)
    ? cloth
    : `${cloth}, ${TEMPERATURE_WORDS[temperature]}`
}
/** What it comes off with; a film of oil is taken up dry before anything wet comes near it. */
const offWith = ({ segment, product }: Part): Tool =>
  forRemoval(segment, product)?.id === 'dry-sponge' ? 'dry-sponge' : (segment.tool ?? 'none')

/** The card's own line first where it speaks of what is used and of this part; what a lowered rung means today before all. */
function howOf(part: Part, mix: MixCard | undefined): string[] {
  const { step, segment } = part
  const today = isWork(segment) ? todayOf(step) : []
  const own = part.isAsWritten ? ownLines(step, segment) : []
  const sign = segment.end?.sign ? [`until ${segment.end.sign}`] : []
  const usual = USUAL[segment.kind](part, mix)
  return [
    ...today,
    ...own,
    ...(own.length > 0 && (segment.technique || isWork(segment)) ? [] : usual),
    ...sign,
  ]
}

/** What a lowered rung means today, and what the device begins at. */
const todayOf = ({ today, deviceLevel }: Step): string[] => [
  ...(today ? [`Today ${today}`] : []),
  ...(deviceLevel?.says ? [deviceLevel.says] : []),
]

/** A layer whose minutes count everywhere alike: acid, enzyme. */
const isWorking = ({ kind, active }: Segment): boolean => kind === 'dwell' && active === true
const isWork = ({ kind }: Segment): boolean => kind === 'apply'
/** What the card says of this very part; else its line for the step, which is of the work, and of a mask that is peeled off in one piece. */
function ownLines(step: Step, segment: Segment): string[] {
  if (segment.technique) return [segment.technique]
  return step.technique && speaksOf(segment) ? [step.technique] : []
}
const speaksOf = ({ kind, tool }: Segment): boolean =>
  kind === 'apply' || (kind === 'remove' && tool === 'lift-off')

/** What is usual, where the card says nothing of its own. */
const USUAL: ByKind<(part: Part, mix: MixCard | undefined) => string[]> = {
  prepare: ({ device }, mix) =>
    mix ? mixLines(mix) : [device?.setting ?? 'ready before it is needed'],
  apply: ({ step, device, product }) => {
    if (device) return [device.setting]
    return [product ? ON[product.kind] : handWork(step).how]
  },
  dwell: ({ segment }) => [segment.active ? WATCHED.active : WATCHED.inert],
  remove: (part) => {
    if (goesAway(part)) return [AWAY]
    const off = OFF[offWith(part)]
    return part.step.segments.some(isWorking) ? [off, IN_ORDER] : [off]
  },
  settle: () => [DRYING],
  hygiene: () => [WASHING],
}

/** Consistency, rest and how long it can be worked, as its maker says. */
function mixLines({ product, times, needS }: MixCard): string[] {
  const { mixing } = product
  const lines = [
    ...(mixing?.consistency ? [mixing.consistency] : []),
    ...(mixing?.restS ? [`rests ${durationInWords(mixing.restS)}, covered`] : []),
    ...(times
      ? [
          `leaves you ${durationInWords(times.workingS)}; putting it on takes ${durationInWords(needS)}`,
        ]
      : []),
  ]
  return lines.length > 0 ? [lines.join(' · ')] : ['stirred smooth, used at once']
}

/** What the client is told: the card's own words, else what this product or device usually feels like, and for how long. Said when it touches. */
function sayOf({ step, segment, product, device, isAsWritten }: Part): string | undefined {
  if (segment.kind !== 'apply') return undefined
  if (isAsWritten && step.say) return step.say
  const expected = (product?.expected ?? device?.expected ?? [])[0]
  const feels = expected && FEELS[expected.sensation]
  if (!feels) return undefined
  const lasts = expected.fadeS > 0 ? ` for about ${inMinutes(expected.fadeS)} min` : ''
  return `${feels}${lasts}; ${TELL}`
}
