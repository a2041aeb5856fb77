import { z } from 'zod'
import {
  Clearance,
  Concern,
  Fact,
  GoalDetails,
  IsoDate,
  PatchTest,
  ProductMemory,
} from '../client/model'
import { LeavingSkin, SkinAnswer } from '../climb/model'
import { HomePlan, HomeTold } from '../homecare/model'

const Instant = z.iso.datetime({ offset: true })
const Written = z.record(z.string(), z.unknown())

/** What was signed: the words, who signed them, and the drawn signature as a file of the archive. */
const SignedText = z.strictObject({
  kind: z.string(),
  title: z.string(),
  version: z.number().int(),
  body: z.string(),
  signer: z.string(),
  relation: z.enum(['client', 'guardian']),
  signedOn: IsoDate,
  withdrawnOn: IsoDate.nullable(),
  file: z.string(),
})

const FiledVisit = z.strictObject({
  id: z.uuid(),
  startsAt: Instant,
  endsAt: Instant,
  room: z.string(),
  practitioner: z.string(),
  protocol: z.string(),
  stage: z.string(),
  calledOff: z.string().nullable(),
  /** The skin as it was read, the newest last. */
  readings: z.array(Written),
  /** The ladder that was fitted last, whole, with its reasons. */
  plan: Written.nullable(),
  /** What was done, in the order of the clock. */
  events: z.array(Written),
  used: z.array(
    z.strictObject({
      productId: z.string(),
      lot: z.string(),
      amount: z.number(),
      unit: z.string(),
    }),
  ),
  overrides: z.array(z.strictObject({ ruleId: z.string(), reason: z.string(), by: z.string() })),
  /** What the skin showed as the client left. */
  leaving: LeavingSkin.nullable().default(null),
  /** As earlier versions asked it at the close. */
  answer: SkinAnswer.nullable(),
  /** Without an answer: asked for, and not reached. */
  checkIns: z.array(z.strictObject({ askedOn: IsoDate, answer: SkinAnswer.nullable() })),
  note: z.string(),
  /** For the visit after it. */
  nextNote: z.string().default(''),
  /** What was told of home care at it, and the plans that were given, each the newest last. */
  homeTold: z.array(HomeTold).default([]),
  homePlans: z.array(HomePlan).default([]),
  signedBy: z.string().nullable(),
  signedAt: Instant.nullable(),
})

/** Everything of a client as one open file; photographs and signatures lie beside it in the archive, by the names that stand here. */
export const ClientFile = z.strictObject({
  format: z.literal('zen-ladder/client'),
  version: z.literal(1),
  madeAt: Instant,
  salon: z.string(),
  client: z.strictObject({
    id: z.uuid(),
    name: z.string(),
    bornOn: IsoDate,
    phone: z.string(),
    email: z.string(),
    address: z.string(),
    /** Ways of contact that were agreed to. */
    contact: z.array(z.string()),
    concerns: z.array(Concern),
    goalDetails: GoalDetails,
  }),
  /** How the record read before it was corrected. */
  before: z.array(Written),
  facts: z.array(Fact),
  memories: z.array(ProductMemory),
  clearances: z.array(Clearance),
  patchTests: z.array(PatchTest),
  notes: z.array(z.strictObject({ kind: z.string(), body: z.string(), madeAt: Instant })),
  consents: z.array(SignedText),
  visits: z.array(FiledVisit),
  photos: z.array(
    z.strictObject({
      file: z.string(),
      visitId: z.uuid(),
      view: z.string(),
      moment: z.string(),
      light: z.string(),
      takenAt: Instant,
    }),
  ),
  messages: z.array(Written),
})
export type ClientFile = z.infer<typeof ClientFile>

/** JSON Schema (draft 2020-12) of a client's file, for docs/formats. */
export const clientFileSchema = (): object => ({
  ...z.toJSONSchema(ClientFile, { io: 'input' }),
  title: 'Everything of a client',
  $id: 'zen-ladder/client/1',
})
