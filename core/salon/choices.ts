import { z } from 'zod'
import { USUAL_WORDS, wordsFault } from './wordings'

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

/** Who is not of age: local law decides. Nobody below 16 is of age anywhere in the product (`A23y` holds for them whatever is set). */
const Minors = z.strictObject({
  majority: z.number().int().min(16).max(21).default(18),
  /** A guardian stays in the room while a minor is treated. */
  guardianStays: z.boolean().default(false),
})

/** What a client is told, in the salon's own words. */
const words = (usual: string) =>
  z
    .string()
    .trim()
    .max(4000)
    .superRefine((text, context) => {
      const says = wordsFault(text)
      if (says) context.addIssue({ code: 'custom', message: says })
    })
    .default(usual)
const Words = z.strictObject({
  confirmation: words(USUAL_WORDS.confirmation),
  calledOff: words(USUAL_WORDS.calledOff),
})

/** What a salon chooses beyond its facts. Every choice has a usual value: none has to be made before the first visit. */
export const SalonChoices = z.strictObject({
  /** Minutes without a touch after which a tablet covers what it shows. */
  coverMinutes: z.number().int().min(1).max(60).default(5),
  keep: Keep.prefault({}),
  copies: Copies.prefault({}),
  minors: Minors.prefault({}),
  /** The school this salon follows, by the question on which practitioners differ; only what it has decided. */
  methods: z.record(z.string().max(40), z.string().max(40)).default({}),
  words: Words.prefault({}),
})
export type SalonChoices = z.infer<typeof SalonChoices>
