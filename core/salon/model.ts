import { z } from 'zod'
import { IsoDate } from '../client/model'
import { TECHNIQUES } from '../safety/rule'
import { HAZARDS, MEASURES, ROLES } from './words'

/** A time of day on the salon's own clock: 09:30. */
export const ClockTime = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/, 'is no time of day')

/** One span of a weekday (1 Monday to 7 Sunday) in which the salon is open. */
export const Opening = z
  .strictObject({ weekday: z.number().int().min(1).max(7), opens: ClockTime, closes: ClockTime })
  .refine(({ opens, closes }) => opens < closes, { error: 'it closes before it opens' })
export type Opening = z.infer<typeof Opening>

export const ClosedDay = z.strictObject({ day: IsoDate, reason: z.string().trim().max(120) })
export type ClosedDay = z.infer<typeof ClosedDay>

const isTimeZone = (name: string): boolean => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }) instanceof Intl.DateTimeFormat
  } catch {
    return false
  }
}

export const Measures = z.enum(MEASURES)

/** What a salon is called and where it is. */
export const SalonFacts = z.strictObject({
  name: z.string().trim().min(1).max(120),
  address: z.string().trim().max(300),
  /** Whom to call; nothing: the emergency card asks for it. */
  emergencyNumber: z.string().trim().max(40),
  /** As in Europe/Lisbon (IANA). */
  timeZone: z.string().max(60).refine(isTimeZone, 'is no time zone'),
  /** As in EUR (ISO 4217). */
  currency: z.string().regex(/^[A-Z]{3}$/, 'is no currency'),
  measures: Measures,
})
export type SalonFacts = z.infer<typeof SalonFacts>

/** What a person may do beyond the basic licence, and the paper that says so. Without `until` it has no end. */
export const ScopeEntry = z.strictObject({
  technique: z.enum(TECHNIQUES),
  licence: z.string().trim().max(80),
  until: IsoDate.optional(),
})
export type ScopeEntry = z.infer<typeof ScopeEntry>

export const PersonName = z.string().trim().min(2).max(120)
export const Email = z
  .email('is no e-mail address')
  .max(200)
  .transform((address) => address.toLowerCase())
/** As typed; whether it stands is judged where it is set (core/passwords). */
export const Password = z.string().min(1).max(200)
export const Role = z.enum(ROLES)
export const Hazard = z.enum(HAZARDS)

export { SalonChoices } from './choices'
