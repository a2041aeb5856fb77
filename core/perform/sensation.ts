import type { Product, Sensation } from '../catalog/model'
import { EMERGENCY_SENSATIONS, OFF_NOW, TOUCH_WORDS } from './tables/sensations'
import type { Touch } from './touching'

export { EMERGENCY_SENSATIONS, SENSATION_WORDS } from './tables/sensations'

/** What the screen answers when a sensation is reported, and what to do about it. */
export interface Answer {
  readonly level: 'normal' | 'lower' | 'remove' | 'emergency'
  readonly says: string
  readonly action: string
  /** More than what touches the client is expected to do: it is kept as such, and the rest is fitted again. */
  readonly beyond: boolean
}

/** What is written of what touches the client; undefined: nothing is. */
export type Known = Pick<Product, 'expected'> & Partial<Pick<Product, 'emergencyOff'>>

/** What is felt, of what, since how many seconds, and whether the client calls it strong. */
export interface Report {
  readonly sensation: Sensation
  readonly touch: Pick<Touch, 'kind' | 'name'>
  readonly known: Known | undefined
  readonly sinceS: number
  readonly strong?: boolean
}

/** These hurt or harm; the others are only told. */
const HARMS: ReadonlySet<Sensation> = new Set([
  'stinging',
  'burning',
  'itch',
  'whitening',
  'hives',
  'swelling',
])
const ENDS_AT_ONCE: ReadonlySet<Sensation> = new Set(['burning', 'whitening'])

/**
 * Answers a report about one thing that touches the client: what is expected of it and passes, what wants less, what ends now. Unknown is
 * answered with care. Rules G01 to G04; the rest is common practice, no source.
 */
export function answerSensation(report: Report): Answer {
  const { sensation, touch, strong } = report
  if (EMERGENCY_SENSATIONS.includes(sensation)) return emergencyOf(sensation)
  if (sensation === 'panic') return panicOf(report)
  if (touch.kind === 'position') return ofPosition()
  if (sensation === 'discomfort-seen') return pulledAway(touch)
  const { expected, isWithin } = expectedOf(report)
  if (expected && isWithin && !strong) return normalOf(report, expected)
  if (strong || expected || ENDS_AT_ONCE.has(sensation)) return endOf(report, expected)
  return lessOf(report)
}

type Expected = Product['expected'][number]

function expectedOf({ known, sensation, sinceS }: Report): {
  readonly expected: Expected | undefined
  readonly isWithin: boolean
} {
  const expected = known?.expected.find((other) => other.sensation === sensation)
  return { expected, isWithin: expected !== undefined && sinceS <= expected.fadeS }
}

const emergencyOf = (sensation: Sensation): Answer => ({
  level: 'emergency',
  says: 'This is not a sensation of the treatment.',
  action: 'Stop. Open the emergency card.',
  beyond: HARMS.has(sensation),
})

const panicOf = ({ known }: Report): Answer => ({
  level: 'remove',
  says: 'Free eyes, nose and mouth first.',
  action: `Speak calmly, raise the head, ${offOf(known)}.`,
  beyond: false,
})

const ofPosition = (): Answer => ({
  level: 'lower',
  says: TOUCH_WORDS.position.look,
  action: TOUCH_WORDS.position.less,
  beyond: false,
})

const pulledAway = ({ kind }: Report['touch']): Answer => ({
  level: 'lower',
  says: 'The client pulled away.',
  action: kind === 'device' ? TOUCH_WORDS.device.less : 'Ease the pressure, ask yes or no.',
  beyond: false,
})

function normalOf({ touch, sinceS }: Report, { comfort, fadeS }: Expected): Answer {
  const left = Math.max(1, Math.ceil((fadeS - sinceS) / 60))
  const comforts = comfort ? `${comfort}. ` : ''
  return {
    level: 'normal',
    says: `That is what ${touch.name} does now; it fades within ${left} min.`,
    action: `${comforts}If it grows, say so at once.`,
    beyond: false,
  }
}

function endOf(
  { touch, known, strong, sensation }: Report,
  expected: Expected | undefined,
): Answer {
  return {
    level: 'remove',
    says: whyEnd(touch.name, strong ?? false, expected !== undefined),
    action: TOUCH_WORDS[touch.kind].end.replace('{off}', offOf(known)),
    beyond: (strong ?? false) || HARMS.has(sensation),
  }
}

function whyEnd(name: string, strong: boolean, isExpected: boolean): string {
  if (strong) return `Strong is more than ${name} should be.`
  return isExpected ? 'It should have faded by now.' : `Not expected of ${name}.`
}

function lessOf({ touch, known, sensation }: Report): Answer {
  const { look, less } = TOUCH_WORDS[touch.kind]
  const isWritten = known !== undefined && known.expected.length > 0
  const says = isWritten
    ? `More than ${touch.name} is known to do.`
    : `Nothing is written of what ${touch.name} feels like: take it seriously.`
  return { level: 'lower', says: `${says} ${look}`, action: less, beyond: HARMS.has(sensation) }
}

const offOf = (known: Known | undefined): string =>
  known?.emergencyOff ? OFF_NOW[known.emergencyOff] : 'take it off with cool water'

/** What it is expected to feel like, in a few words, while it lies there; nothing is never promised. */
export function expectationOf(known: Known | undefined): string {
  const expected = known?.expected[0]
  if (!expected) return 'ask: nothing is written of how it feels'
  const comfort = expected.comfort ? `; ${expected.comfort.toLowerCase()}` : ''
  return `a little ${expected.sensation} is normal${comfort}`
}
