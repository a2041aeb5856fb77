import type { FittedPlan } from '../adapt/plan'
import type { Shelf } from '../catalog/model'
import { deviceById, productById } from '../catalog/shelf'
import { cabinetCloth, clothName, forRemoval } from '../mixing'
import type { Live, LiveSegment } from './live'
import { partOf, type Part } from './part'
import type { Known } from './sensation'
import type { TouchKind } from './touch-kinds'

/** One thing that touches the client now, of which something can be felt. */
export interface Touch {
  readonly kind: TouchKind
  readonly stepId: string
  /** "Citrus Peel", "the warm towel", "how you lie". */
  readonly name: string
  /** The product or device by its id. */
  readonly thingId?: string
  /** Since when it touches, wall-clock milliseconds: of a layer since all of it is on. */
  readonly sinceMs: number
  /** It works: acid, enzyme, current. */
  readonly active: boolean
}

/** So long what stays on, or came off, is still asked about. */
const STAYS_MS = 15 * 60_000
const CAME_OFF_MS = 10 * 60_000

interface Read {
  readonly live: Live
  readonly nowMs: number
}

/**
 * Everything that touches the client at one instant, the likeliest first: the newest that works, then the newest of the others, how the
 * client lies last.
 */
export function touchesAt(
  plan: Pick<FittedPlan, 'steps'>,
  live: Live,
  shelf: Shelf,
  nowMs: number,
): Touch[] {
  const found = live.segments.flatMap((one) => {
    const part = partOf({ plan, shelf, written: [] }, one.segment)
    return part ? touchesOf(part, one, { live, nowMs }) : []
  })
  const ranked = found.sort((a, b) => Number(b.active) - Number(a.active) || b.sinceMs - a.sinceMs)
  const once = new Map(
    ranked.toReversed().map((touch) => [`${touch.kind}|${touch.stepId}|${touch.name}`, touch]),
  )
  return [...[...once.values()].toReversed(), positionAt(live)]
}

/** What is written of it on the shelf. */
export function knownOf({ thingId }: Touch, shelf: Shelf): Known | undefined {
  return thingId === undefined
    ? undefined
    : (productById(shelf, thingId) ?? deviceById(shelf, thingId))
}

const positionAt = ({ hands, layers, segments }: Live): Touch => ({
  kind: 'position',
  stepId: hands?.segment.stepId ?? layers[0]?.stepId ?? segments[0]?.segment.stepId ?? '',
  name: 'how the client lies',
  sinceMs: 0,
  active: false,
})

function touchesOf(part: Part, one: LiveSegment, read: Read): Touch[] {
  switch (one.segment.kind) {
    case 'dwell':
      return one.status === 'now' ? [lyingOf(part, one, read)] : []
    case 'apply':
      return one.status === 'now' ? inHand(part, one) : staying(part, one, read)
    case 'remove':
      return comingOff(part, one, read)
    default:
      return []
  }
}

const thingOf = ({ product, device, step }: Part): Pick<Touch, 'name' | 'thingId' | 'stepId'> => {
  const thing = product ?? device
  return {
    stepId: step.id,
    name: thing?.name ?? step.title,
    ...(thing ? { thingId: thing.id } : {}),
  }
}

/** All of it is on when the hands have put it on. */
function lyingOf(part: Part, one: LiveSegment, { live }: Read): Touch {
  const on = live.segments.findLast(
    ({ segment, fromMs }) =>
      segment.stepId === one.segment.stepId && segment.kind === 'apply' && fromMs <= one.fromMs,
  )
  const isDevice = part.product === undefined && part.device !== undefined
  return {
    ...thingOf(part),
    kind: isDevice ? 'device' : 'layer',
    sinceMs: Math.max(one.fromMs, on?.toMs ?? 0),
    active: one.segment.active || isDevice,
  }
}

function inHand(part: Part, one: LiveSegment): Touch[] {
  const { product, device, step } = part
  const works = step.segments.some((segment) => segment.kind === 'dwell' && segment.active)
  const at = { stepId: step.id, sinceMs: one.fromMs }
  return [
    ...(device
      ? [{ ...at, kind: 'device' as const, name: device.name, thingId: device.id, active: true }]
      : []),
    ...(product
      ? [
          {
            ...at,
            kind: 'going-on' as const,
            name: product.name,
            thingId: product.id,
            active: works,
          },
        ]
      : []),
    ...(product || device
      ? []
      : [{ ...at, kind: 'going-on' as const, name: step.title, active: false }]),
  ]
}

const isOver = ({ status }: LiveSegment): boolean => status === 'done' || status === 'inferred'

/** A product that nothing of its step takes off is still there, dry or not. */
function staying(part: Part, one: LiveSegment, { nowMs }: Read): Touch[] {
  const { product, step } = part
  const comesOff = step.segments.some(({ kind }) => kind === 'remove')
  if (!product || comesOff || !isOver(one) || nowMs - one.toMs > STAYS_MS) return []
  const active = product.properties.some((property) => WORKS.has(property))
  return [{ ...thingOf(part), kind: 'leave-on', sinceMs: one.toMs, active }]
}
const WORKS: ReadonlySet<string> = new Set(['acid', 'exfoliating', 'retinoid', 'stings'])

/** Warmth while it comes off; and for some minutes what worked there and is off. */
function comingOff(part: Part, one: LiveSegment, { live, nowMs }: Read): Touch[] {
  const { segment, product, step } = part
  const laid = forRemoval(segment, product)
  if (one.status === 'now' && laid && cabinetCloth(segment, laid))
    return [
      {
        kind: 'heat',
        stepId: step.id,
        name: `the ${clothName(segment, laid)}`,
        sinceMs: one.fromMs,
        active: false,
      },
    ]
  const worked = live.segments.some(
    (other) =>
      other.segment.stepId === step.id && other.segment.kind === 'dwell' && other.segment.active,
  )
  if (!worked || !isOver(one) || nowMs - one.toMs > CAME_OFF_MS) return []
  return [{ ...thingOf(part), kind: 'came-off', sinceMs: one.toMs, active: false }]
}
