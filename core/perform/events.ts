import { z } from 'zod'
import { FittedPlan } from '../adapt/plan'
import { SENSATIONS } from '../catalog/model'
import { LevelUse } from '../climb/model'
import { DEPTH_MM } from './device-set'
import { SLOWER_MOST } from './slower'
import { TOUCH_KINDS } from './touch-kinds'
import { OUTCOMES } from '../skin/lesion-words'
import { Reading } from '../skin/model'

/** What can be said about a running visit. Events name their segment or layer (a step id); none says "next". */
export const RunBody = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('start') }),
  /** This tablet drives from now on, the others follow; by whom, as they are called in the salon. */
  z.strictObject({ type: z.literal('lead'), by: z.string().min(1).max(80).optional() }),
  /** A part is somebody else's: a tablet that follows may do it. */
  z.strictObject({ type: z.literal('handed-over'), segmentId: z.string() }),
  /** Hands begin a segment; for a removal: the layer starts to come off. */
  z.strictObject({ type: z.literal('started'), segmentId: z.string() }),
  z.strictObject({ type: z.literal('finished'), segmentId: z.string() }),
  /** "Still at it": what was inferred as finished is not. */
  z.strictObject({ type: z.literal('still'), segmentId: z.string() }),
  z.strictObject({
    type: z.literal('sensation'),
    stepId: z.string(),
    sensation: z.enum(SENSATIONS),
    /** What touched the client; default: a layer of the step. */
    of: z.enum(TOUCH_KINDS).optional(),
    /** The product or device by its id. */
    thingId: z.string().max(60).optional(),
    /** More than that is expected to do, as the answer said. */
    beyond: z.literal(true).optional(),
    /** The client calls it strong. */
    strong: z.literal(true).optional(),
  }),
  /** A device was set otherwise than fitted; `zones`: there alone. */
  z.strictObject({ type: z.literal('set'), stepId: z.string(), ...LevelUse.shape }),
  /** One stroke more of the movement in hand, or enough of it; which one that is follows from its time. */
  z.strictObject({
    type: z.literal('stroke'),
    segmentId: z.string(),
    way: z.enum(['again', 'enough']),
  }),
  /** What is repeated until its sign shows is not clean yet: one pass more, up to its most. */
  z.strictObject({ type: z.literal('pass'), segmentId: z.string() }),
  /** The sterile cartridge of a needling, before it may begin: its lot, and how deep it goes. */
  z.strictObject({
    type: z.literal('cartridge'),
    stepId: z.string(),
    lot: z.string().trim().min(1).max(60),
    depthMm: z.number().min(DEPTH_MM.least).max(DEPTH_MM.most),
  }),
  /** Hands go on to the next area of an extraction, by pedal. */
  z.strictObject({ type: z.literal('area'), segmentId: z.string() }),
  /** What came of what was to be emptied, said after the glove change; by lesion. */
  z.strictObject({
    type: z.literal('extracted'),
    stepId: z.string(),
    outcomes: z.record(z.string().max(60), z.enum(OUTCOMES)),
  }),
  /** Hands rest, and go on; the clocks of what lies on the skin know nothing of it. */
  z.strictObject({ type: z.literal('pause') }),
  z.strictObject({ type: z.literal('resume') }),
  /** Hands go to another client; where something lies on the skin, with the call bell within this one's reach. Until they are back they rest here. */
  z.strictObject({ type: z.literal('left'), bell: z.literal(true).optional() }),
  /** They are back, and are washed and gloved anew before they go on (`resume`). */
  z.strictObject({ type: z.literal('came') }),
  /** When the visit has to end, by the wall clock: arrived late, or has to go. The last one counts. */
  z.strictObject({ type: z.literal('ends'), atMs: z.number().int() }),
  /** Hands take so much longer today, percent; the last one said counts. */
  z.strictObject({
    type: z.literal('slower'),
    percent: z.number().int().min(0).max(SLOWER_MOST),
  }),
  /** A step is taken earlier or later than the card has it: right after that one. */
  z.strictObject({ type: z.literal('called'), stepId: z.string(), after: z.string() }),
  /** A layer that is due is not ready by its sign: a minute more, up to its maximum. */
  z.strictObject({ type: z.literal('not-yet'), segmentId: z.string() }),
  z.strictObject({ type: z.literal('comfort'), stepId: z.string(), measure: z.string().max(160) }),
  z.strictObject({
    type: z.literal('skipped'),
    stepId: z.string(),
    reason: z.string().min(1).max(200),
  }),
  /** "Not this one": a product that has not touched yet. The rest is fitted without it. */
  z.strictObject({
    type: z.literal('refused'),
    stepId: z.string(),
    productId: z.string().max(60),
    why: z.string().min(1).max(200),
  }),
  z.strictObject({ type: z.literal('note'), text: z.string().min(1).max(1000) }),
  /** An answer at a gate: the reading under the lamp with what it showed, or a quick check. */
  z.strictObject({ type: z.literal('read'), stepId: z.string(), reading: Reading }),
  z.strictObject({
    type: z.literal('checked'),
    stepId: z.string(),
    answer: z.enum(['calm', 'stings']),
    /** What was tried: the ladder may have changed it from what is written. */ productId: z
      .string()
      .optional(),
  }),
  /** The rest was fitted again: the plan as it then stood, stored and never computed anew. */
  z.strictObject({
    type: z.literal('replanned'),
    plan: FittedPlan,
    /** The moment it was fitted from, by the device's clock; default: its own time. */
    fromMs: z.number().int().optional(),
    /** The server's own fit, in the place of a tablet's that broke a limit. Only the server says so. */
    instead: z
      .strictObject({ eventId: z.uuid(), faults: z.array(z.string().max(400)).max(40) })
      .optional(),
  }),
  z.strictObject({ type: z.literal('retract'), eventId: z.uuid() }),
  z.strictObject({ type: z.literal('emergency'), stepId: z.string().optional() }),
  z.strictObject({ type: z.literal('finish') }),
  /** A task of the room's turnover is done, after the visit. */
  z.strictObject({ type: z.literal('turned'), taskId: z.string().min(1).max(40) }),
])
export type RunBody = z.infer<typeof RunBody>

/** One line of the run log. Made on the device; never changed. */
export const RunEvent = z.strictObject({
  id: z.uuid(),
  deviceId: z.string().min(1).max(60),
  /** Counts up per device. */
  seq: z.number().int().min(0).max(2_147_483_647),
  /** Wall clock of the device, milliseconds since 1970. */
  wallMs: z.number().int(),
  /** What the device's clock said, where that was impossible: `wallMs` is then reckoned from its count and running time. Only the server says so. */
  clockSaidMs: z.number().int().optional(),
  /** Milliseconds since the device's page began, never set back. */
  elapsedMs: z.number().min(0).max(1e12),
  body: RunBody,
})
export type RunEvent = z.infer<typeof RunEvent>
