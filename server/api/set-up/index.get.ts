import { Conflict } from '#core/fault'
import { hasSalon } from '../../db/salon.sql'
import { propertyWords } from '#core/protocol'
import { poolOf } from '../../utils/db'
import { STARTER_DEVICES, starterCards } from '../../../starter'

/** What a salon can begin with, for whoever sets one up: kinds of device, and how many cards go with each choice of them. */
export default defineEventHandler(async () => {
  if (await hasSalon(poolOf('own')))
    throw new Conflict({ code: 'set_up_done', detail: 'The salon is set up. Sign in.' })
  const cards = starterCards(new Set(STARTER_DEVICES.map(({ id }) => id)))
  return {
    devices: STARTER_DEVICES.map(({ id, name, properties, maxMinutes }) => ({
      ...{ id, name, mostMinutes: maxMinutes ?? null },
      /** What it brings to the skin, in words. */
      energies: properties.filter((property) => property !== 'device').map(propertyWords),
    })),
    cards: cards.map(({ name, steps }) => ({
      name,
      deviceIds: [...new Set(steps.flatMap(({ deviceId }) => deviceId ?? []))],
    })),
  }
})
