import type { Property } from '../../protocol/words'

/** One thing done to a room between two clients. Times in seconds. */
export interface TurnoverTask {
  readonly id: string
  readonly title: string
  readonly how: string
  readonly handsS: number
  /** How long it stays wet, or lies in, after that: its maker's contact time where that is longer. */
  readonly wetS?: number
  /** Begins when that one is dry, or may come out. */
  readonly after?: string
  /** Only where something like that was done; left out: always. */
  readonly if?: readonly Property[]
}

/**
 * The turnover of a room in the order of its hands: what lies wet is begun first, so that its time runs while the rest is done. Common practice, no source; ten minutes
 * of immersion and three of wet contact are usual figures of disinfectants (values from memory): the label of what is used comes first, as do local codes.
 */
export const TURNOVER: readonly TurnoverTask[] = [
  {
    id: 'hands-off',
    title: 'Gloves off, hands washed',
    how: 'before anything clean is touched',
    handsS: 60,
  },
  {
    id: 'sharps',
    title: 'Sharps into their container',
    how: 'cartridge, lancet, blade; never capped again, never full past its line',
    handsS: 30,
    if: ['needling', 'lancet', 'blade'],
  },
  {
    id: 'once',
    title: 'What is used once is thrown away',
    how: 'tips, applicators, spatulas, pads; what an opened pot lost stays out of it',
    handsS: 30,
  },
  {
    id: 'tools-in',
    title: 'Bowls, brushes and tools washed, then laid in',
    how: 'washed until nothing is seen on them, then under the disinfectant altogether',
    handsS: 120,
    wetS: 600,
  },
  {
    id: 'device',
    title: 'Device wiped',
    how: 'steamer arm, electrodes, handpieces, lead; wet for its maker’s time, switched off',
    handsS: 60,
    wetS: 180,
    if: ['device', 'steam', 'current', 'suction', 'led', 'rf', 'ultrasonic-blade', 'needling'],
  },
  {
    id: 'linen-off',
    title: 'Linen into the closed bin',
    how: 'rolled inwards, not shaken',
    handsS: 60,
  },
  {
    id: 'surfaces',
    title: 'Couch, trolley and lamp wiped',
    how: 'from clean to used; they stay wet for their time',
    handsS: 120,
    wetS: 180,
  },
  {
    id: 'tablet',
    title: 'Tablet, pedal and bell wiped',
    how: 'a damp wipe, no spray',
    handsS: 30,
    wetS: 60,
  },
  {
    id: 'linen-on',
    title: 'Fresh linen',
    how: 'on a couch that is dry',
    handsS: 90,
    after: 'surfaces',
  },
  {
    id: 'tools-out',
    title: 'Tools rinsed, dried and put away closed',
    how: 'once their time in the disinfectant is over, with clean hands',
    handsS: 90,
    after: 'tools-in',
  },
  { id: 'hands', title: 'Hands washed', how: 'the room is free', handsS: 60 },
]
