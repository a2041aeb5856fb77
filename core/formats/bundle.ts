import { z } from 'zod'
import { Prep, Reservation, SlotWish } from '../adapt/wish'
import { Shelf } from '../catalog/model'
import { Client, IsoDate } from '../client/model'
import { questionByCode } from '../client/questions'
import { isFreeWordCode } from '../catalog/free-word'
import { FAMILIES } from '../catalog/tables/families'
import { PastVisit } from '../climb/model'
import { HomeUse } from '../homecare/model'
import { ProtocolVersion, type Step } from '../protocol/model'
import { TECHNIQUES } from '../safety/rule'
import { Reading } from '../skin/model'

export const Override = z.strictObject({
  ruleId: z.string(),
  stepId: z.string(),
  reason: z.string().min(1).max(300),
  by: z.string().max(120),
  at: z.string().max(40),
})

/** Everything `compile` needs, as one file: the open format of a visit before it is fitted. */
export const Bundle = z.strictObject({
  format: z.literal('zen-ladder/bundle'),
  version: z.literal(1),
  visit: z.strictObject({
    date: IsoDate,
    /** The visit ends by daylight. */
    daytime: z.boolean(),
    slotMinutes: z.number().int().min(15).max(300),
  }),
  client: Client,
  reading: Reading,
  history: z.array(PastVisit),
  protocol: ProtocolVersion,
  shelf: Shelf,
  overrides: z.array(Override),
  /** What the practitioner may do, and what must be minded about them. Left out: the plain scope. */
  practitioner: z
    .strictObject({ scope: z.array(z.enum(TECHNIQUES)), hazards: z.array(z.string().max(40)) })
    .optional(),
  /** What the salon has set in the rule book. */
  settings: z
    .strictObject({
      adviceOff: z.array(z.string()),
      windowDays: z.record(z.string(), z.number().int().min(0).max(3660)),
      majority: z.number().int().min(16).max(21).optional(),
      guardianStays: z.boolean().optional(),
    })
    .optional(),
  /** Answers given at gates during the visit, by step id. */
  gates: z.record(z.string(), z.enum(['calm', 'stings'])).optional(),
  stung: z.array(z.string()).optional(),
  /** What was felt beyond what is expected, by step id. */
  felt: z
    .array(z.strictObject({ stepId: z.string().max(120), because: z.string().max(200) }))
    .optional(),
  /** How the visit is to be fitted to its slot. */
  fit: SlotWish.optional(),
  /** What was decided while the tray was laid. */
  prep: Prep.optional(),
  /** What the client uses at home; left out: nobody has asked. */
  home: z.array(HomeUse).max(20).optional(),
  /** When devices are needed in another room. */
  reserved: z.array(Reservation).optional(),
})
export type Bundle = z.infer<typeof Bundle>

export interface BundleFault {
  readonly path: string
  readonly says: string
}
export type BundleRead =
  | { readonly ok: true; readonly bundle: Bundle }
  | { readonly ok: false; readonly faults: readonly BundleFault[] }

/** JSON path of a Zod issue: `$.protocol.steps[3].zones`. */
export const jsonPath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : `${text}.${String(key)}`),
    '$',
  )

/** Whether parsed JSON means to be a bundle, good or bad. */
export const isBundle = (value: unknown): boolean =>
  Bundle.pick({ format: true }).loose().safeParse(value).success

/** Reads a bundle from parsed JSON; faults name their JSON path and say what is wrong. References inside are checked too. */
export function readBundle(value: unknown): BundleRead {
  const parsed = Bundle.safeParse(value)
  if (!parsed.success)
    return {
      ok: false,
      faults: parsed.error.issues.map((issue) => ({
        path: jsonPath(issue.path),
        says: issue.message,
      })),
    }
  const faults = referenceFaults(parsed.data)
  return faults.length > 0 ? { ok: false, faults } : { ok: true, bundle: parsed.data }
}

/** What one step of a card says of the others that is not so: its id taken, or a step named that is not there. */
export function stepFaults(steps: readonly Step[], at: number): BundleFault[] {
  const step = steps[at]!
  const path = `$.protocol.steps[${at}]`
  const named = [
    ['checks', step.checks],
    ['onlyIf.gate', step.onlyIf?.gate],
    ['closes', step.closes],
    ['within.stepId', step.within?.stepId],
  ] as const
  return [
    ...(steps.findIndex((other) => other.id === step.id) < at
      ? [{ path: `${path}.id`, says: `Two steps are called "${step.id}"; give one another id.` }]
      : []),
    ...named.flatMap(([name, id]) =>
      id !== undefined && !steps.some((step) => step.id === id)
        ? [{ path: `${path}.${name}`, says: `No step "${id}" in this protocol.` }]
        : [],
    ),
  ]
}

/** Answers to questions and allergies that nobody here knows: they would count as asked. */
function codeFaults({ client }: Bundle): BundleFault[] {
  return client.facts.flatMap(({ code }, at) =>
    isKnownCode(code)
      ? []
      : [{ path: `$.client.facts[${at}].code`, says: `There is no question "${code}".` }],
  )
}
const FAMILY_CODES: ReadonlySet<string> = new Set([
  'allergy:any',
  ...FAMILIES.map(({ id }) => `allergy:${id}`),
])
/** Medicines are of the salon's own list, which a file does not hold. */
const isKnownCode = (code: string): boolean =>
  questionByCode.has(code) ||
  FAMILY_CODES.has(code) ||
  isFreeWordCode(code) ||
  code.startsWith('medicine:')

function referenceFaults(bundle: Bundle): BundleFault[] {
  return [...codeFaults(bundle), ...stepReferenceFaults(bundle)]
}

function stepReferenceFaults(bundle: Bundle): BundleFault[] {
  return bundle.protocol.steps.flatMap((step, at) => {
    const path = `$.protocol.steps[${at}]`
    const faults = stepFaults(bundle.protocol.steps, at)
    const product = bundle.shelf.products.find(
      (candidate) => candidate.id === step.product?.productId,
    )
    if (step.product && !product)
      faults.push({
        path: `${path}.product.productId`,
        says: `No product "${step.product.productId}" on the shelf of this file.`,
      })
    else if (step.product && !product?.uses.some((use) => use.id === step.product?.useId))
      faults.push({
        path: `${path}.product.useId`,
        says: `Product "${step.product.productId}" has no use "${step.product.useId}".`,
      })
    for (const [part, { product: own }] of step.segments.entries()) {
      if (own && !bundle.shelf.products.some(({ id }) => id === own.productId))
        faults.push({
          path: `${path}.segments[${part}].product.productId`,
          says: `No product "${own.productId}" on the shelf of this file.`,
        })
    }
    if (step.deviceId && !bundle.shelf.devices.some((device) => device.id === step.deviceId))
      faults.push({
        path: `${path}.deviceId`,
        says: `No device "${step.deviceId}" on the shelf of this file.`,
      })
    return faults
  })
}

/** The compile input held in a bundle. */
export const inputOf = (bundle: Bundle) => ({
  protocol: bundle.protocol,
  client: bundle.client,
  reading: bundle.reading,
  history: bundle.history,
  shelf: bundle.shelf,
  overrides: bundle.overrides,
  slotMinutes: bundle.visit.slotMinutes,
  date: bundle.visit.date,
  daytime: bundle.visit.daytime,
  practitioner: bundle.practitioner,
  settings: bundle.settings,
  gates: bundle.gates,
  stung: bundle.stung,
  felt: bundle.felt,
  fit: bundle.fit,
  reserved: bundle.reserved,
  prep: bundle.prep,
})

/** JSON Schema (draft 2020-12) of a bundle, for docs/formats. */
export const bundleSchema = (): object => ({
  ...z.toJSONSchema(Bundle, { io: 'input' }),
  title: 'Zen Ladder bundle',
  $id: 'zen-ladder/bundle/1',
})
