import { z } from 'zod'
import { CONCERNS } from '#core/client'
import { Concern, GoalDetails, IsoDate } from '#core/client/model'
import { Invalid } from '#core/fault'
import { PersonName } from '#core/salon/model'
import { CONTACT_WAYS } from '../db/client.sql'

/** Who a client is and how they are reached, as it comes in. */
export const ClientBody = z.strictObject({
  name: PersonName,
  bornOn: IsoDate,
  phone: z.string().trim().max(40).default(''),
  email: z.union([z.literal(''), z.email('is no e-mail address').max(200)]).default(''),
  address: z.string().trim().max(300).default(''),
  contact: z.array(z.enum(CONTACT_WAYS)).max(CONTACT_WAYS.length).default([]),
})

/** Ranked goals as they come in: the first is the most wanted. */
export const GoalsBody = z.strictObject({
  concerns: z
    .array(Concern)
    .max(CONCERNS.length)
    .refine((list) => new Set(list).size === list.length, 'every goal once'),
  details: GoalDetails.optional(),
})

/** A birthday that somebody alive can have. `today`: the salon's date (ISO). */
export function requireBirthday(bornOn: string, today: string): void {
  if (bornOn > today || bornOn < '1900-01-01')
    throw new Invalid({
      code: 'bad_birthday',
      detail: `${bornOn} is no birthday. Check the year.`,
      path: 'bornOn',
    })
}
