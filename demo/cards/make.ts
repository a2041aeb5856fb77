import { productById, useOf } from '#core/catalog'
import {
  timedByMovements,
  type PathId,
  type Movement,
  type ProtocolVersion,
  type Segment,
  type Step,
  segment,
  type LeverId,
} from '#core/protocol'
import { FACE, FACE_NECK, NOSE } from '#core/skin'
import { DEMO_SHELF } from '../shelf'

// What the cards of the invented studio are written with.
export type More = Partial<Omit<Step, 'lever'>> & { lever?: readonly [LeverId, number] }

export function step(
  id: string,
  phase: Step['phase'],
  title: string,
  segments: Segment[],
  more: More = {},
): Step {
  const { lever, ...rest } = more
  return timedByMovements({
    id,
    phase,
    title,
    zones: [...FACE_NECK],
    properties: [],
    segments,
    essential: false,
    priority: 3,
    ...(lever ? { lever: { lever: lever[0], rung: lever[1] } } : {}),
    ...rest,
  })
}

/** A step that uses a product as its use says. */
export function withProduct(id: string, productId: string, useId: string, more: More = {}): Step {
  const product = productById(DEMO_SHELF, productId)
  const use = useOf(product, useId)
  if (!product || !use)
    throw new Error(`Demo protocol names ${productId}/${useId}, which is not on the shelf.`)
  return step(id, use.phase, product.name, use.segments, {
    zones: use.zones,
    product: { productId, useId },
    ...more,
  })
}

/** How one part of a step is done. */
export const saying = (made: Step, partId: string, technique: string): Step => ({
  ...made,
  segments: made.segments.map((part) => (part.id === partId ? { ...part, technique } : part)),
})

/** Nobody has to stay while it lies: eyes free, nothing that stings or heats, the call bell at hand. */
export const leftAlone = (made: Step): Step => ({
  ...made,
  segments: made.segments.map((part) =>
    part.kind === 'dwell' ? { ...part, presence: 'away' as const } : part,
  ),
})

/** A step with a device of the shelf. */
export const withDevice = (
  id: string,
  deviceId: string,
  title: string,
  segments: Segment[],
  more: More = {},
): Step => step(id, 'device', title, segments, { zones: [...FACE], deviceId, ...more })
export const pick = (productId: string, useId: string) => ({ productId, useId })
export const hands = (id: string, time: number | readonly [number, number, number]) =>
  segment(id, 'apply', time)
export const changeTip = (minutes = 0.5) => segment('change', 'prepare', minutes, { potLifeS: 600 })

let strokes = 0
/** One movement: path, type, how often, how long each. */
export const move = (
  path: PathId,
  type: Movement['type'],
  repetitions: number,
  secondsEach: number,
  more: Partial<Movement> = {},
): Movement => ({
  id: `m${++strokes}`,
  path,
  type,
  repetitions,
  secondsEach,
  pressure: 'light',
  sides: 'both at once',
  with: 'hands',
  ...more,
})

export const open = [
  withProduct('eyes', 'eye-two-phase', 'eyes', {
    essential: true,
    title: 'Eye and lip make-up off',
  }),
  withProduct('cleanse-1', 'oat-cleanser', 'first', { essential: true, title: 'First cleanse' }),
]
export const second = withProduct('cleanse-2', 'oat-cleanser', 'second', {
  title: 'Second cleanse',
  essential: true,
})
export const lamp = step('lamp', 'analysis', 'Look under the lamp', [hands('look', 3)], {
  gate: 'lamp',
  essential: true,
  zones: [...FACE],
  tray: ['eye pads', 'lamp'],
})
/** Extraction comes only if the lamp shows something for it. */
export const READY: NonNullable<Step['onlyIf']> = {
  gate: 'lamp',
  sees: ['congestion', 'ready-lesion', 'ingrown'],
}
export const extraction = (usual: number, more: More = {}) =>
  step(
    'extract',
    'extract',
    'Extraction, nose and chin',
    [segment('work', 'apply', [2, usual, 15])],
    {
      zones: [...NOSE, 'chin'],
      properties: ['extraction'],
      lever: ['extraction', 3],
      priority: 3,
      condition: 'if there is anything ready',
      onlyIf: READY,
      tray: ['tissue'],
      ...more,
    },
  )
export const blot = (id = 'blot', more: More = {}) =>
  step(id, 'tone', 'Blot dry', [hands('press', 0.5)], {
    properties: ['blotting'],
    zones: [...FACE],
    tray: ['tissue with an opening'],
    ...more,
  })
export const tone = (id: string, more: More = {}) =>
  withProduct(id, 'chamomile-toner', 'tone', { title: 'Tone', ...more })
export const quickCheck = (checks: string) =>
  step('check', 'analysis', 'Quick check behind the ear', [hands('dab', 0.5), hands('wait', 1.5)], {
    gate: 'quick-check',
    checks,
    closes: checks,
    zones: ['ears'],
    priority: 5,
    tray: ['cotton buds'],
    say: 'A little behind your ear first. Tell me if it stings; it is no allergy test.',
  })
export const soothe = (closes: string, more: More = {}) =>
  withProduct('gel', 'cucumber-gel', 'gel', { title: 'Soothing gel', closes, ...more })
export const close = [
  withProduct('serum', 'niacin-serum', 'serum', { title: 'Serum' }),
  withProduct('eye', 'eye-gel', 'eye', { title: 'Eye gel' }),
  withProduct('cream', 'dune-cream', 'cream', { essential: true, title: 'Moisturiser' }),
]
/** By day only: in the evening nobody needs it, and a retinoid may follow. */
export const sun = withProduct('sun', 'sun-veil', 'sun', {
  title: 'Sun protection',
  when: { time: 'day' },
})
export const bye = step('bye', 'close', 'Mirror, water, home care', [hands('talk', 3)], {
  essential: true,
  tray: ['glass of water', 'mirror'],
})
export const lips = (priority = 2) =>
  withProduct('lips', 'berry-lip-mask', 'lip', {
    title: 'Lip enhancement',
    floating: { needs: 'lips' },
    priority,
    tray: ['soft wand'],
    say: 'You may feel a little tingling on the lips.',
  })
/** Oil, a mild acid mask and a hydrating mask: one small ladder that hangs as a whole. */
export const lipLadder = (priority = 2) =>
  step(
    'lips',
    'enhancement',
    'Lip enhancement, three layers',
    [
      segment('oil', 'apply', 0.5, { product: pick('rowan-lip-oil', 'balm') }),
      segment('on', 'apply', 1),
      segment('dwell', 'dwell', [5, 5, 7], { active: true, presence: 'room', admits: ['quiet'] }),
      segment('off', 'remove', 1, { tool: 'gauze', temperature: 'cool' }),
      segment('quince', 'apply', 1, { product: pick('quince-lip-mask', 'lip') }),
    ],
    {
      zones: ['lips'],
      product: pick('berry-lip-mask', 'lip'),
      floating: { needs: 'lips' },
      priority,
      tray: ['soft wand'],
      say: 'You may feel a little tingling on the lips.',
    },
  )
export const scalp = step('scalp', 'enhancement', 'Scalp massage', [hands('rub', 5)], {
  zones: ['scalp'],
  floating: { needs: 'scalp' },
  priority: 1,
  say: 'May I touch your hair?',
})
export const handMassage = (minutes = 5) =>
  withProduct('hand-massage', 'hand-balm', 'hands', {
    title: 'Hand massage',
    zones: ['hands'],
    floating: { needs: 'hands' },
    priority: 1,
    segments: [hands('rub', [3, minutes, 10])],
  })
export const light = (more: More = {}) =>
  withDevice(
    'led',
    'led-panel',
    'LED panel',
    [
      hands('set', 0.5),
      segment('dwell', 'dwell', [8, 10, 20], {
        active: true,
        presence: 'room',
        admits: ['hands', 'quiet'],
        blocks: ['under-eye-left', 'under-eye-right', 'lips'],
      }),
      segment('end', 'remove', 0.5, { tool: 'none' }),
    ],
    { priority: 2, tray: ['eye shields'], ...more },
  )

export const version = (
  protocolId: string,
  name: string,
  steps: Step[],
  note = 'First card',
): ProtocolVersion => ({ id: `${protocolId}-v1`, protocolId, name, version: 1, note, steps })
