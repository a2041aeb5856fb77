import type { Product, Sensation } from '../../catalog/model'
import type { TouchKind } from '../touch-kinds'

/** Signs that end the visit at once (rule G01). */
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

/** How a product comes off when it has to come off now. */
export const OFF_NOW: Readonly<Record<Product['emergencyOff'], string>> = {
  rinse: 'rinse with cool water',
  'neutralise then rinse': 'neutralise to the end of the foam, then rinse cool',
  'lift off': 'lift it off',
  'cut and lift': 'cut it and lift it off',
}

/** What is done by what touches the client (common practice, no source). */
interface TouchWords {
  /** While it is more than expected, and may stay with less of it. */
  readonly less: string
  /** It ends now; `{off}` is how the product comes off. */
  readonly end: string
  /** What to look at where nothing is written of it. */
  readonly look: string
}

const OFF = 'Take it off now: {off}; cool compress.'
const SKIN = 'Look at the skin: pink is watched, red or white comes off.'

export const TOUCH_WORDS: Readonly<Record<TouchKind, TouchWords>> = {
  layer: {
    less: 'Fan or cool it, ask again in half a minute; if it grows, take it off.',
    end: OFF,
    look: SKIN,
  },
  'going-on': {
    less: 'Stop spreading, fan, ask again in half a minute; if it grows, take off what is on.',
    end: OFF,
    look: SKIN,
  },
  'leave-on': {
    less: 'Fan it, ask again in half a minute; if it grows, wipe it off damp and cool.',
    end: 'Take it off now: {off}; cool compress.',
    look: SKIN,
  },
  device: {
    less: 'One level lower, or move on; ask again at once.',
    end: 'Stop, lift it off; cool compress.',
    look: 'Stop on this place and look at the skin.',
  },
  heat: {
    less: 'Lift the edge, let it cool; feel it at your own wrist.',
    end: 'Lift it off now; cool compress.',
    look: 'Warm is right, hot is not: 40 °C at the wrist, never above 43 °C.',
  },
  'came-off': {
    less: 'Cool damp compress; ask again in a minute.',
    end: 'Rinse once more, cool; cool compress, and nothing that works on it.',
    look: SKIN,
  },
  position: {
    less: 'Change it: bolster, neck, head up, blanket, light away. Ask yes or no.',
    end: 'Sit them up, let them breathe.',
    look: 'Ask where: neck, back, arms, cold, light.',
  },
}
