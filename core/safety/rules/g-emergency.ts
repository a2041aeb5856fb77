/** A kind of emergency on the card in Perform: by what is seen, and what to do, one thing after the other. */
export interface EmergencyRow {
  readonly id: string
  /** As one calls it across the room. */
  readonly name: string
  readonly signs: string
  /** In their order. `{call}` stands for the number and what to say; `{off}` for what lies on the skin and how it comes off. */
  readonly steps: readonly string[]
  /** The first thing is the telephone. */
  readonly callsAtOnce?: true
}

/**
 * Family G: offline, one touch in Perform. Common first aid (advice of first-aid organisations, values from memory); the salon's own
 * protocol and the emergency service come first.
 */
export const EMERGENCIES: readonly EmergencyRow[] = [
  {
    id: 'G01',
    name: 'Breath, throat, collapse',
    signs:
      'Hives that spread · swelling of face, lip, tongue or throat · cannot breathe · collapse · chest pain · sudden weakness or a crooked face',
    steps: [
      'Machines off. {call}',
      'Their own auto-injector: help them use it.',
      'Sitting up where breath is short; flat with legs up where they faint.',
      'Take off what is safe to take off. {off}',
      'Stay with them.',
    ],
    callsAtOnce: true,
  },
  {
    id: 'G06',
    name: 'Seizure',
    signs: 'Stiff or jerking, not answering',
    steps: [
      'Machines off; clear away what is hard.',
      'Nothing in the mouth; do not hold them down.',
      'Look at the clock. {call}',
      'Afterwards on the side; stay with them.',
    ],
    callsAtOnce: true,
  },
  {
    id: 'G05',
    name: 'Faint',
    signs: 'Pale, dizzy, gone for a moment',
    steps: [
      'Machines off. Flat, legs up, air.',
      'Not better in one to two minutes: {call}',
      'Up slowly; nothing more today.',
    ],
  },
  {
    id: 'G07',
    name: 'Asthma',
    signs: 'Wheezing, short of breath, known asthma',
    steps: [
      'Sit them up; steam, spray and scent off.',
      'Their own inhaler: help them use it.',
      'Not better in a few minutes, or worse: {call}',
    ],
  },
  {
    id: 'G08',
    name: 'Low sugar',
    signs: 'Shaking, sweating, confused; known diabetes',
    steps: [
      'Awake: sugar or a sweet drink, at once.',
      'Not awake: nothing by mouth. {call}',
      'Not better in ten minutes: {call}',
    ],
  },
  {
    id: 'G04',
    name: 'Hives or swelling in one place',
    signs: 'Wheals or swelling where something lies, and nowhere else',
    steps: [
      'Off now. {off}',
      'Rinse lukewarm, then cool.',
      'Watch for 30 minutes. If it spreads, or reaches face, throat or breath: {call}',
      'To a physician today; nothing more on the skin.',
    ],
  },
  {
    id: 'G02',
    name: 'In the eye',
    signs: 'Product in the eye',
    steps: [
      'Rinse with lukewarm water for 15 minutes, from the nose outward, lids held open.',
      'A lens comes out while you rinse.',
      'Then a physician.',
    ],
  },
  {
    id: 'G03',
    name: 'Burn',
    signs: 'Burnt by heat, current or a product',
    steps: [
      'Off. {off}',
      'Cool running water for 20 minutes.',
      'No ice, no cream; then a physician.',
    ],
  },
]

/** The steps of a kind with the salon's number and address and what lies on the skin put in; what is empty is left out. */
export const emergencySteps = (
  { steps }: EmergencyRow,
  { number, address, off }: { number: string; address: string; off: string },
): string[] =>
  steps.map((step) =>
    step
      .replace('{call}', `Call ${number}; say: ${address}.`)
      .replace('{off}', off ? `${off}.` : '')
      .trim(),
  )
