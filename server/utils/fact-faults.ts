import type { PoolClient } from 'pg'
import { FAMILIES, isFreeWordCode } from '#core/catalog'
import {
  factFaults,
  type FactFault,
  KNOWN,
  medicineCode,
  type Days,
  type EvidenceFault,
  type Fact,
  questionByCode,
} from '#core/client'
import { Invalid } from '#core/fault'
import { clientBirthday } from '../db/client.sql'
import { listKnown } from '../db/rules.sql'
import type { VisitRow } from '../db/visit.sql'

/** Of whom, in which salon, and on which day something is said. */
type Asked = Pick<VisitRow, 'salon_id' | 'client_id' | 'starts_at'>

const DAY_MS = 86_400_000
const FIXED: ReadonlySet<string> = new Set([
  ...questionByCode.keys(),
  'allergy:any',
  ...FAMILIES.map((family) => `allergy:${family.id}`),
])

/** What cannot be true of these answers of a visit's client. A question exists, or an allergy family, or a medicine on the salon's list. */
export async function faultsOf(
  db: PoolClient,
  visit: Asked,
  facts: readonly Fact[],
): Promise<FactFault[]> {
  const own = await listKnown(db, visit.salon_id)
  const medicines = new Set((own.length > 0 ? own : KNOWN).map((entry) => medicineCode(entry.id)))
  const { earliest, latest } = await daysOf(db, visit)
  return factFaults(facts, {
    latest,
    bornOn: earliest,
    known: (code) => FIXED.has(code) || isFreeWordCode(code) || medicines.has(code),
  })
}

/** Days between which something can have happened to a visit's client; a day of grace for clocks and time zones. */
export async function daysOf(db: PoolClient, visit: Asked): Promise<Days> {
  const latest = new Date(Math.max(Date.now(), visit.starts_at.getTime()) + DAY_MS)
  return {
    earliest: await clientBirthday(db, visit.client_id),
    latest: latest.toISOString().slice(0, 10),
  }
}

/** Throws where evidence has a fault. `path`: where the evidence stands in the body. */
export function refuseEvidence(fault: EvidenceFault | undefined, path = ''): void {
  if (!fault) return
  const { code, says, field } = fault
  throw new Invalid({ code, detail: says, path: path ? `${path}.${field}` : field })
}
