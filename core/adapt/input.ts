import type { Client } from '../client/model'
import type { Known } from '../client/medicines'
import type { Shelf } from '../catalog/model'
import type { PastVisit } from '../climb/model'
import type { ProtocolVersion } from '../protocol/model'
import { constrain, type Constraints, type Practitioner } from '../safety/constrain'
import type { FeltToday } from '../safety/situation'
import { NO_SETTINGS, RULE_BOOK, withSettings, type RuleSettings } from '../safety/rules'
import type { Reading } from '../skin/model'
import { subjectReader, type LeverRung } from '../strength'
import type { GateAnswers } from './gates'
import type { Underway } from './ladder'
import type { FittedPlan } from './plan'
import type { Override } from './resolve'
import type { Prep, Reservation, SlotWish } from './wish'

/** Everything a plan is made from; a value. `date` ISO in the salon's zone; `daytime`: the visit ends by daylight. */
export interface CompileInput {
  readonly protocol: ProtocolVersion
  readonly client: Client
  readonly reading: Reading
  readonly history: readonly PastVisit[]
  readonly shelf: Shelf
  readonly overrides: readonly Override[]
  readonly slotMinutes: number
  readonly date: string
  readonly daytime: boolean
  readonly practitioner?: Practitioner | undefined
  /** What the salon has set in the rule book; default: nothing. */
  readonly settings?: RuleSettings | undefined
  /** The salon's list of medicines and conditions; default: the one that ships. */
  readonly medicines?: readonly Known[] | undefined
  /** Answers given at gates during the visit. */
  readonly gates?: GateAnswers | undefined
  /** How the visit is to be fitted to its slot; default: shortened only where it would run over. */
  readonly fit?: SlotWish | undefined
  /** What was decided while the tray was laid; default: a medium face, usual water, nothing standing in. */
  readonly prep?: Prep | undefined
  /** When devices of this salon are needed in another room. */
  readonly reserved?: readonly Reservation[] | undefined
  /** Products that stung in a quick check of this visit; left out, the written products of the checks that stung. */
  readonly stung?: readonly string[] | undefined
  /** What was felt in this visit beyond what is expected; default: nothing. */
  readonly felt?: readonly FeltToday[] | undefined
  /** A visit under way has to end so many seconds after its beginning; default: what runs late is not cut. */
  readonly endS?: number | undefined
  /** The share of the usual search limits; default: all. A plan that is kept is made with all of it. */
  readonly work?: number | undefined
}

/** The card itself in its times: the same for every plan of one visit, so that no fit under way places it again. */
export type AsWritten = Pick<FittedPlan, 'written' | 'writtenTotalS'>

/** A running visit that is fitted again from now: its plan so far and what has begun. */
export interface Running {
  readonly plan: Pick<FittedPlan, 'steps' | 'changes'> & Partial<AsWritten>
  readonly underway: Underway
}

/** Every lever the card pulls, by the priority of its steps, on the highest rung it is written on. */
function leversOf({ protocol, shelf, date }: CompileInput): LeverRung[] {
  const read = subjectReader(shelf, date)
  const pulled = [...protocol.steps]
    .sort((a, b) => b.priority - a.priority)
    .flatMap((step) => read(step).levers)
  const highest = new Map<string, LeverRung>()
  for (const { lever, rung } of pulled)
    highest.set(lever, { lever, rung: Math.max(rung, highest.get(lever)?.rung ?? 0) })
  return [...highest.values()]
}

/** Facts and evidence of a visit as constraints, under the salon's own settings. */
export function constraintsFor(input: CompileInput): Constraints {
  const levers = leversOf(input)
  const { client, reading, history, date, daytime, practitioner, medicines } = input
  return constrain(withSettings(RULE_BOOK, input.settings ?? NO_SETTINGS), {
    client,
    reading,
    history,
    levers,
    date,
    daytime,
    practitioner,
    medicines,
    felt: input.felt,
    majority: input.settings?.majority,
    guardianStays: input.settings?.guardianStays,
  })
}

/** Seconds the visit may take: what was said while it ran, the wish of this visit, else what was booked. */
export const slotSecondsOf = (input: CompileInput): number =>
  input.endS ?? (input.fit?.slotMinutes ?? input.slotMinutes) * 60
