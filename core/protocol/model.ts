import { z } from 'zod'
import { Concern } from '../client/model'
import { FINDING_KINDS } from '../skin/findings'
import { ZoneId } from '../skin/model'
import { MOVEMENT_TYPES, PASS_PATTERNS, PATHS, PRESSURES, SIDES, WITH } from './movement-words'
import { ADMITS, LEVERS, PHASES, PLACES, PROPERTIES, TEMPERATURES, TOOLS } from './words'

const seconds = z
  .number()
  .int()
  .min(0)
  .max(4 * 3600)

/** How a segment ends. Minutes are then the forecast. */
export const SegmentEnd = z.strictObject({
  by: z.enum(['clock', 'sign', 'both', 'repeat']),
  sign: z.string().max(120).optional(),
  usualCount: z.number().int().min(1).max(9).optional(),
  maxCount: z.number().int().min(1).max(9).optional(),
})

export const Pick = z.strictObject({ productId: z.string(), useId: z.string() })
export type Pick = z.infer<typeof Pick>

/** One stretch of a step's time, in seconds. `maxS` of a dwell is a safety limit; an active dwell never stretches. */
export const Segment = z
  .strictObject({
    id: z.string().min(1).max(60),
    kind: z.enum(['prepare', 'apply', 'dwell', 'remove', 'settle', 'hygiene']),
    minS: seconds,
    usualS: seconds,
    maxS: seconds,
    active: z.boolean().optional(),
    /** Dwell: where the practitioner must be meanwhile. */
    presence: z.enum(PLACES).optional(),
    /** Dwell: what may be done meanwhile. */
    admits: z.array(z.enum(ADMITS)).optional(),
    /** Zones out of reach meanwhile (panel, steamer, wrap). */
    blocks: z.array(ZoneId).optional(),
    /** Prepare: how long it may stand before it is applied. */
    potLifeS: seconds.optional(),
    /** Prepare: it must rest so long before it is applied. */
    restS: seconds.optional(),
    /** Prepare: applying must end this long after the mixing ended. */
    workingS: seconds.optional(),
    tool: z.enum(TOOLS).optional(),
    temperature: z.enum(TEMPERATURES).optional(),
    end: SegmentEnd.optional(),
    coat: z.number().int().min(1).max(9).optional(),
    /** Only these of the step's zones: the eye part and the face part of one mask. */
    zones: z.array(ZoneId).min(1).optional(),
    /** Another product than the step's: the oil, the acid and the mask of one lip enhancement. */
    product: Pick.optional(),
    /** How this part alone is done, where it is done otherwise than usual: the way a mask is peeled off. */
    technique: z.string().max(300).optional(),
    /** Current whose poles are swapped at half time: both halves are equally long (rule D09). */
    polarity: z.enum(['negative', 'positive']).optional(),
  })
  .refine((s) => s.minS <= s.usualS && s.usualS <= s.maxS, {
    error: 'minimum, usual and maximum must not decrease',
  })
export type Segment = z.infer<typeof Segment>

/** One movement of a massage or of a device's glide. */
export const Movement = z.strictObject({
  id: z.string().min(1).max(60),
  path: z.enum(PATHS),
  type: z.enum(MOVEMENT_TYPES),
  repetitions: z.number().int().min(1).max(60),
  pressure: z.enum(PRESSURES),
  secondsEach: z.number().min(0.5).max(120),
  /** `each`: one side, then the same on the other; the time doubles. */
  sides: z.enum(SIDES),
  with: z.enum(WITH),
})
export type Movement = z.infer<typeof Movement>

/** One figure a device is set to, within its range: vacuum 40 % of 10 to 80. */
export const PassSetting = z
  .strictObject({
    setting: z.string().min(1).max(40),
    value: z.number(),
    unit: z.string().max(20),
    from: z.number(),
    to: z.number(),
  })
  .refine((s) => s.from <= s.value && s.value <= s.to, {
    error: 'the value must lie within the range',
  })
export type PassSetting = z.infer<typeof PassSetting>

/** Zones in the order of a device, its pattern, and what it is set to. `level`: how it is led, in words. */
export const Passes = z.strictObject({
  zones: z.array(ZoneId).min(1),
  pattern: z.enum(PASS_PATTERNS),
  times: z.number().int().min(1).max(9),
  setting: PassSetting.optional(),
  level: z.string().max(60).optional(),
})
export type Passes = z.infer<typeof Passes>

/** What a device may be set to in one visit: where hands begin, the mark of the fitted rung, and what nothing goes above. */
export const DeviceLevel = z.strictObject({
  /** "vacuum"; "level" where its card says nothing. */
  setting: z.string().min(1).max(40),
  unit: z.string().max(20),
  /** One tap. */
  by: z.number(),
  least: z.number(),
  start: z.number(),
  /** Above it only with a reason. */
  mark: z.number(),
  most: z.number(),
  mostBy: z.enum(['maker', 'rule', 'fitted']),
  /** What it was set to last time, where that was otherwise than fitted. */
  says: z.string().max(300).optional(),
  /** The same place by place; without zones: everywhere. */
  last: z
    .array(
      z.strictObject({
        value: z.number(),
        why: z.string().max(40),
        zones: z.array(ZoneId).optional(),
      }),
    )
    .optional(),
})
export type DeviceLevel = z.infer<typeof DeviceLevel>

/** One pick of a choice slot: what it is for, and the zones it takes when several stand side by side. */
export const ChoiceOption = z.strictObject({
  concern: Concern,
  pick: Pick,
  zones: z.array(ZoneId).min(1).optional(),
})
export type ChoiceOption = z.infer<typeof ChoiceOption>

/** Another way of doing a step, with its own times; the slot fit may swap to it. `worth`: the share of the step's worth it keeps. */
export const Variant = z.strictObject({
  id: z.string().min(1).max(60),
  title: z.string().min(1).max(120),
  segments: z.array(Segment).min(1),
  product: Pick.optional(),
  deviceId: z.string().optional(),
  worth: z.number().min(0.1).max(1),
})
export type Variant = z.infer<typeof Variant>

/** When a step belongs to the visit at all. Every condition given must hold. */
export const When = z.strictObject({
  time: z.enum(['day', 'evening']).optional(),
  visit: z.enum(['first', 'later']).optional(),
  goal: Concern.optional(),
})

export const Step = z.strictObject({
  id: z.string().min(1).max(60),
  phase: z.enum(PHASES),
  title: z.string().min(1).max(120),
  zones: z.array(ZoneId).min(1),
  product: Pick.optional(),
  deviceId: z.string().optional(),
  /** Other products that may take this slot, in order of preference. */
  otherPicks: z.array(Pick).optional(),
  concern: Concern.optional(),
  properties: z.array(z.enum(PROPERTIES)),
  segments: z.array(Segment).min(1),
  /** What the card's author wishes at the most. Where the step really stands is read off what touches the skin (core/strength). */
  lever: z
    .strictObject({
      lever: z.enum(LEVERS),
      rung: z.number().int().min(1).max(5),
      writtenRung: z.number().int().min(1).max(5).optional(),
    })
    .optional(),
  /** A fitted step: every lever it pulls, its rung today, and the rung it stood on as written. */
  levers: z
    .array(
      z.strictObject({
        lever: z.enum(LEVERS),
        rung: z.number().int().min(1).max(5),
        writtenRung: z.number().int().min(1).max(5),
      }),
    )
    .max(6)
    .optional(),
  /** A fitted step: what its device may be set to today. */
  deviceLevel: DeviceLevel.optional(),
  /** A fitted step: what its rungs mean today, in words made from the figures. */
  today: z.string().max(200).optional(),
  /** What the card is for: where none is marked, its steps of the highest priority. */
  heart: z.boolean().optional(),
  /** Must be in every visit; never dropped. */
  essential: z.boolean(),
  /** 1 (nice to have) … 5 (the point of the visit): who keeps the room in the skin's allowance. */
  priority: z.number().int().min(1).max(5),
  /** Goes or stays with its cause: neutraliser, toning, calming. */
  closes: z.string().optional(),
  /** May hang in a dwell that admits it. Without a host it is not done. */
  floating: z.strictObject({ needs: z.enum(ADMITS), over: z.boolean().optional() }).optional(),
  /** Instruments and cloths laid out besides what the segments need. */
  tray: z.array(z.string().max(80)).optional(),
  say: z.string().max(200).optional(),
  /** Put on along the muscles, each from where it begins to where it ends; ring muscles are left out. */
  follows: z.literal('muscles').optional(),
  /** How it is done: direction, strokes, what to watch. */
  technique: z.string().max(300).optional(),
  condition: z.string().max(120).optional(),
  /** Holds what hangs on its answer until it is given: the reading under the lamp, or a quick check behind the ear. */
  gate: z.enum(['lamp', 'quick-check']).optional(),
  /** A quick check: the step whose product it tries. */
  checks: z.string().optional(),
  /** In the visit only if the gate's reading shows one of these. Steps with the same words come or go together. */
  onlyIf: z
    .strictObject({
      gate: z.string(),
      sees: z.array(z.enum([...FINDING_KINDS, 'ready-lesion'])).min(1),
    })
    .optional(),
  /** One slot, filled by what the client wants most; with `several` each wanted concern gets its own zones. The first option is the card's own. */
  choice: z
    .strictObject({ several: z.boolean(), options: z.array(ChoiceOption).min(2).max(8) })
    .optional(),
  variants: z.array(Variant).max(3).optional(),
  when: When.optional(),
  /** Lies at the same time as others of this name, each on its own zones. */
  beside: z.string().min(1).max(60).optional(),
  /** Begins at most so many seconds after that step has ended. */
  within: z
    .strictObject({ stepId: z.string(), seconds: z.number().int().min(0).max(3600) })
    .optional(),
  /** Steps of one group come or go together. */
  group: z.string().min(1).max(60).optional(),
  /** Its work is done again until the sign shows: usually `usual` times, at most `max`. */
  repeat: z
    .strictObject({
      usual: z.number().int().min(1).max(6),
      max: z.number().int().min(1).max(9),
      sign: z.string().min(1).max(120),
    })
    .refine((r) => r.usual <= r.max, { error: 'the usual count is above the most' })
    .optional(),
  /** The part of its product's dose used here: half a vial before, half after. */
  share: z.number().min(0.05).max(1).optional(),
  /** Strokes in order; the hands-on minutes are then their sum. */
  movements: z.array(Movement).max(40).optional(),
  /** A device's way over the skin. */
  passes: Passes.optional(),
  /** The method switch that put it in. */
  byMethod: z.string().optional(),
  /** Its title before a method changed it. */
  writtenTitle: z.string().optional(),
  /** Rules that put this step in, and rules that already changed it: a fitted step is not changed twice. */
  insertedBy: z.array(z.string()).optional(),
  adjustedBy: z.array(z.string()).optional(),
})
export type Step = z.infer<typeof Step>

const days = z.number().int().min(1).max(183)

/** A card's own rhythm: so many visits, so many days apart, and the card that comes after the last of them. */
export const Course = z
  .strictObject({
    visits: z.number().int().min(1).max(24),
    leastDays: days,
    mostDays: days,
    /** The protocol that follows, by its id. */
    next: z.string().optional(),
  })
  .refine((course) => course.leastDays <= course.mostDays, {
    error: 'the least days apart are more than the most',
  })
export type Course = z.infer<typeof Course>

/** A published version of a protocol. Immutable once stored. */
export const ProtocolVersion = z.strictObject({
  id: z.string(),
  protocolId: z.string(),
  name: z.string().min(1).max(120),
  version: z.number().int().min(1),
  note: z.string().max(500),
  steps: z.array(Step).min(1).max(60),
  /** Schools chosen at the method switches, by question. */
  methods: z.record(z.string(), z.string()).optional(),
  course: Course.optional(),
})
export type ProtocolVersion = z.infer<typeof ProtocolVersion>
