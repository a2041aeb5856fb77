import type { Product, Sensation } from '../catalog/model'

/** What the screen answers when a sensation is reported, and what to do about it. */
export interface Answer {
  readonly level: 'normal' | 'lower' | 'remove' | 'emergency'
  readonly says: string
  readonly action: string
}

/** G01: signs that end the visit at once. */
export const EMERGENCY_SENSATIONS: readonly Sensation[] = [
  'hives',
  'swelling',
  'dizzy',
  'cannot-breathe',
]

export const SENSATION_WORDS: Readonly<Record<Sensation, string>> = {
  warm: 'Warm',
  tingling: 'Tingling',
  stinging: 'Stinging',
  burning: 'Burning',
  itch: 'Itch',
  hives: 'Hives',
  swelling: 'Swelling',
  dizzy: 'Dizzy',
  panic: 'Panic',
  'cannot-breathe': 'Cannot breathe',
  whitening: 'Whitening',
  'discomfort-seen': 'Discomfort seen',
}

const OFF: Readonly<Record<Product['emergencyOff'], string>> = {
  rinse: 'rinse with cool water',
  'neutralise then rinse': 'neutralise to the end of the foam, then rinse cool',
  'lift off': 'lift it off',
  'cut and lift': 'cut it and lift it off',
}

/**
 * Answers a report about one layer: what is normal for this product and passes, what wants less, what comes off now.
 * `sinceS` is how long the layer has been on the skin, in seconds. Expected sensations and their fading are the product's own.
 */
export function answerSensation(
  sensation: Sensation,
  product: Pick<Product, 'name' | 'expected' | 'emergencyOff'> | undefined,
  sinceS: number,
): Answer {
  const off = product ? OFF[product.emergencyOff] : 'take it off'
  if (EMERGENCY_SENSATIONS.includes(sensation))
    return {
      level: 'emergency',
      says: 'This is not a sensation of the treatment.',
      action: 'Stop. Open the emergency card.',
    }
  if (sensation === 'panic')
    return {
      level: 'remove',
      says: 'Free eyes, nose and mouth first.',
      action: `Speak calmly, raise the head, ${off}.`,
    }
  const expected = product?.expected.find((other) => other.sensation === sensation)
  if (expected && sinceS <= expected.fadeS)
    return {
      level: 'normal',
      says: `Normal for ${product!.name} now; it fades within ${Math.max(1, Math.ceil((expected.fadeS - sinceS) / 60))} min.`,
      action: `${expected.comfort}. No second layer.`,
    }
  if (sensation === 'burning' || sensation === 'whitening')
    return {
      level: 'remove',
      says: expected ? 'It should have faded by now.' : 'Not expected of this product.',
      action: `Take it off now: ${off}; cool compress.`,
    }
  if (expected)
    return {
      level: 'remove',
      says: 'It should have faded by now.',
      action: `Take it off: ${off}; cool compress.`,
    }
  if (sensation === 'discomfort-seen')
    return {
      level: 'lower',
      says: 'The client pulled away.',
      action: 'Ease the pressure, ask yes or no.',
    }
  return {
    level: 'lower',
    says: 'More than this product usually does.',
    action: 'Fan or cool it, ask again in half a minute; if it grows, take it off.',
  }
}
