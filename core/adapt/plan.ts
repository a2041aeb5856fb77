import { z } from 'zod'
import { Step } from '../protocol/model'
import { LEVERS, PLACES } from '../protocol/words'
import { ZoneId } from '../skin/model'
import { LeverUse } from '../climb/model'

const Why = z.strictObject({
  ruleId: z.string(),
  reason: z.string(),
  instead: z.string(),
  because: z.string(),
  facts: z.array(z.string()).readonly().optional(),
  basis: z.enum(['published', 'common-practice', 'house']),
  source: z.string().optional(),
  overridable: z.enum(['no', 'reason']),
  unasked: z.literal(true).optional(),
})
const Change = z.strictObject({
  kind: z.enum([
    'dropped',
    'replaced',
    'rung',
    'minutes',
    'zones',
    'removal',
    'inserted',
    'care',
    'kept',
    'hung',
    'unmet',
    'chosen',
    'swapped',
    'moved',
  ]),
  stepId: z.string(),
  what: z.string(),
  why: z.array(Why),
})

/** One segment with its place in time, in whole seconds from the start of the visit. */
export const PlacedSegment = z.strictObject({
  id: z.string(),
  stepId: z.string(),
  kind: z.enum(['prepare', 'apply', 'dwell', 'remove', 'settle', 'hygiene']),
  startS: z.number().int(),
  endS: z.number().int(),
  /** Dwell: the safety limit, counted from its start. */
  maxS: z.number().int(),
  active: z.boolean(),
  /** Dwell: its minutes run from the first touch of what is put on before it, which counts as its own (rule D24). */
  fromTouch: z.literal(true).optional(),
  hands: z.boolean(),
  presence: z.enum(PLACES),
  zones: z.array(ZoneId),
  /** Waits for an answer: never called finished by the clock. */
  gate: z.enum(['lamp', 'quick-check']).optional(),
  /** Done again until its sign shows: this pass and those that may follow it, and how long one takes. */
  loop: z.strictObject({ most: z.number().int(), passS: z.number().int() }).optional(),
  /** Opens the skin: it begins once the lot of its sterile cartridge and its depth are said. */
  asksLot: z.literal(true).optional(),
})
export type PlacedSegment = z.infer<typeof PlacedSegment>

export const TrayItem = z.strictObject({
  id: z.string(),
  name: z.string(),
  count: z.number(),
  for: z.string(),
  stepId: z.string(),
  note: z.string().optional(),
  supply: z.strictObject({ id: z.string(), count: z.number() }).optional(),
  readyInS: z.number().int().optional(),
  perhaps: z.boolean().optional(),
})
export type TrayItem = z.infer<typeof TrayItem>

export const Suggestion = z.strictObject({
  lever: z.enum(LEVERS),
  move: z.enum(['first', 'up', 'hold', 'down', 'restart', 'stop', 'wait', 'free']),
  rung: z.number().int(),
  lastRung: z.number().int().optional(),
  ruleIds: z.array(z.string()),
  why: z.string(),
})

/** A fitted plan: a value, stored whole with the visit, with everything that was decided and why. */
export const FittedPlan = z.strictObject({
  format: z.literal('zen-ladder/plan'),
  engine: z.string(),
  ruleBook: z.string(),
  protocolVersionId: z.string(),
  /**
   * `thinned`: what the card is for is left out; `over`: longer than its slot; `ask-first`: a question that could stop the visit is open;
   * `unfinished`: a search came to its limit without a plan.
   */
  status: z.enum([
    'ready',
    'thinned',
    'over',
    'ask-first',
    'postponed',
    'infeasible',
    'unfinished',
  ]),
  /** What is wrong when the status is not ready: sentences. */
  problems: z.array(z.string()),
  /** Rules that postpone the visit, when that is its status. */
  problemRuleIds: z.array(z.string()).optional(),
  slotS: z.number().int(),
  totalS: z.number().int(),
  writtenTotalS: z.number().int(),
  proof: z.strictObject({
    kind: z.enum(['optimal', 'feasible', 'none']),
    gapS: z.number(),
    nodes: z.number(),
  }),
  /** How the ladder was cut to its slot; absent when nothing had to be. `leastS`: the shortest possible, where the slot is too short. */
  fit: z
    .strictObject({
      kind: z.enum(['optimal', 'feasible', 'infeasible', 'unfinished']),
      worth: z.number(),
      fullWorth: z.number(),
      gapWorth: z.number(),
      leastS: z.number().optional(),
    })
    .optional(),
  /** What the card is for, and what of it is left out today; plans of an earlier engine do not say. */
  heart: z
    .strictObject({
      stepIds: z.array(z.string()),
      lost: z.array(z.strictObject({ stepId: z.string(), title: z.string() })),
      treats: z.boolean(),
    })
    .optional(),
  steps: z.array(Step),
  segments: z.array(PlacedSegment),
  written: z.strictObject({ steps: z.array(Step), segments: z.array(PlacedSegment) }),
  changes: z.array(Change),
  /** Stop-level questions that must be answered before the visit starts. */
  askFirst: z.array(z.string()),
  /** Today's stops in a few words each. */
  stops: z.array(z.string()),
  /** What a hand could still do wrong, the heaviest first, with the written steps it is about; an ingredient may be in any bottle. */
  handStops: z
    .array(
      z.strictObject({
        words: z.string(),
        stepIds: z.array(z.string()),
        inAnyBottle: z.boolean().optional(),
      }),
    )
    .optional(),
  cautions: z.array(z.strictObject({ stepId: z.string(), line: z.string() })),
  checked: z.array(z.string()),
  notChecked: z.array(z.string()),
  askAgain: z.array(z.string()),
  /** What somebody else should see, whatever is done today; `told`: the client knows, and is under a physician. */
  refer: z
    .array(
      Why.extend({
        toldAs: z.string().optional(),
        told: z.strictObject({ by: z.string(), on: z.string() }).optional(),
      }),
    )
    .default([]),
  /** Good to know; folded away on screen. */
  advice: z.array(Why),
  /** Gates without an answer, and the steps that hang on each. */
  open: z.array(
    z.strictObject({ gateId: z.string(), stepIds: z.array(z.string()), words: z.string() }),
  ),
  /** The shortest the visit can become when every open branch falls away; equal to `totalS` when none is open. */
  leastTotalS: z.number().int(),
  levers: z.array(LeverUse),
  suggestions: z.array(Suggestion),
  tray: z.array(TrayItem),
})
export type FittedPlan = z.infer<typeof FittedPlan>
