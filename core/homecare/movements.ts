import { dateAfter, type Concern } from '../client'
import type { Movement } from '../protocol/model'
import { EYE_CONTOUR, FOREHEAD, type ZoneId } from '../skin'
import type { Judge } from './allowed'
import type { HomeInput } from './input'

/** A movement to practise at home, drawn like any movement of a card. */
export interface HomeMovement {
  readonly id: string
  readonly name: string
  readonly how: string
  readonly for: readonly Concern[]
  readonly zones: readonly ZoneId[]
  readonly movement: Movement
}
const movement = (id: string, path: Movement['path'], more: Partial<Movement> = {}): Movement => ({
  ...{ id, path, type: 'effleurage', repetitions: 5, pressure: 'light', secondsEach: 4 },
  ...{ sides: 'both at once', with: 'hands' },
  ...more,
})

/** Shown and practised in the salon; light, over cream (common practice, no source). */
export const HOME_MOVEMENTS: readonly HomeMovement[] = [
  {
    id: 'jaw-knuckles',
    name: 'Knuckles along the jaw',
    how: 'From the chin to the ear with bent fingers, over cream. Five times.',
    for: ['firm', 'smooth'],
    zones: ['chin', 'jaw-left', 'jaw-right'],
    movement: movement('jaw-knuckles', 'chin-earlobe', { type: 'petrissage' }),
  },
  {
    id: 'cheek-circles',
    name: 'Circles on the cheeks',
    how: 'Flat fingers, outward and up, over cream. Five times.',
    for: ['firm', 'hydrate', 'brighten'],
    zones: ['cheek-left', 'cheek-right', 'cheekbone-left', 'cheekbone-right'],
    movement: movement('cheek-circles', 'cheek-circles'),
  },
  {
    id: 'eye-circle',
    name: 'Round the eyes',
    how: 'Ring finger on the bone, from the nose out and back. Three times.',
    for: ['eyes', 'hydrate'],
    zones: EYE_CONTOUR,
    movement: movement('eye-circle', 'eye-circle', { repetitions: 3, with: 'ring finger' }),
  },
  {
    id: 'forehead-up',
    name: 'Forehead to the hairline',
    how: 'Hands in turn, straight up, over cream. Five times.',
    for: ['smooth', 'calm'],
    zones: FOREHEAD,
    movement: movement('forehead-up', 'forehead-hairline'),
  },
]
/** As many as somebody will really practise (house figure). */
const MOST = 2

/** Movements for what they wish, the most wanted first, where nothing speaks against hands there once the skin has rested. */
export function movementsFor(
  { client, date }: Pick<HomeInput, 'client' | 'date'>,
  { allows }: Pick<Judge, 'allows'>,
  again = dateAfter(date, 1),
): string[] {
  const wished = client.concerns.flatMap((concern) =>
    HOME_MOVEMENTS.filter((one) => one.for.includes(concern)),
  )
  return [...new Set(wished)]
    .filter((one) => allows(one.zones, one.movement, again))
    .slice(0, MOST)
    .map(({ id }) => id)
}
