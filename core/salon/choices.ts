import { z } from 'zod'

const years = (usual: number) => z.number().int().min(1).max(50).default(usual)

/** How long what is kept of clients is kept, in years. Local law decides; the figures are usual, no source. */
const Keep = z.strictObject({
  /** After the last visit. */
  recordYears: years(10),
  /** After it was taken. */
  photoYears: years(10),
})

/** Copies of everything, made by the server. */
const Copies = z.strictObject({
  daily: z.boolean().default(true),
  /** Time of day on the salon's clock: 03 is three in the morning. */
  hour: z.number().int().min(0).max(23).default(3),
  /** How many stay. */
  count: z.number().int().min(1).max(365).default(14),
  /** One of the folders that whoever starts the server offers; nothing: the first. */
  folder: z.string().max(300).default(''),
})

/** What a salon chooses beyond its facts. Every choice has a usual value: none has to be made before the first visit. */
export const SalonChoices = z.strictObject({
  /** Minutes without a touch after which a tablet covers what it shows. */
  coverMinutes: z.number().int().min(1).max(60).default(5),
  keep: Keep.prefault({}),
  copies: Copies.prefault({}),
})
export type SalonChoices = z.infer<typeof SalonChoices>
