import { z } from 'zod'
import { Client, Concern, Fact, IsoDate } from '../client/model'
import type { BundleFault } from './bundle'
import { jsonPath } from './bundle'

/** A first-visit intake as an open file: what the client said, without what the salon found. */
export const Intake = z.strictObject({
  format: z.literal('zen-ladder/intake'),
  version: z.literal(1),
  takenOn: IsoDate,
  client: z.strictObject({
    name: Client.shape.name.min(1).max(120),
    bornOn: IsoDate,
    concerns: z.array(Concern).max(6),
    notes: z.array(z.string().max(300)).max(20).default([]),
  }),
  facts: z.array(Fact).max(400),
})
export type Intake = z.infer<typeof Intake>
export type IntakeRead =
  | { readonly ok: true; readonly intake: Intake }
  | { readonly ok: false; readonly faults: readonly BundleFault[] }

/** Reads an intake from parsed JSON; faults name their JSON path and say what is wrong. Whether its answers can be true is for `factFaults`. */
export function readIntake(value: unknown): IntakeRead {
  const parsed = Intake.safeParse(value)
  if (!parsed.success)
    return {
      ok: false,
      faults: parsed.error.issues.map((issue) => ({
        path: jsonPath(issue.path),
        says: issue.message,
      })),
    }
  return { ok: true, intake: parsed.data }
}

/** The intake of a client: the answer in force to every question that was asked. */
export const intakeOf = (
  client: Pick<Client, 'name' | 'bornOn' | 'concerns' | 'notes'>,
  facts: readonly Fact[],
  takenOn: string,
): Intake => ({
  format: 'zen-ladder/intake',
  version: 1,
  takenOn,
  client: {
    name: client.name,
    bornOn: client.bornOn,
    concerns: [...client.concerns],
    notes: [...(client.notes ?? [])],
  },
  facts: [...facts],
})

/** JSON Schema (draft 2020-12) of an intake, for docs/formats. */
export const intakeSchema = (): object => ({
  ...z.toJSONSchema(Intake, { io: 'input' }),
  title: 'Zen Ladder intake',
  $id: 'zen-ladder/intake/1',
})
