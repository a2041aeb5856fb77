import type { FindingKind } from './findings'
import type { Finding, Reading } from './model'
import { EYE_CONTOUR, T_ZONE, type ZoneId } from './zones'

/** What is often seen together, in one touch; everything in it can be changed afterwards. */
export interface ReadingPreset {
  readonly id: string
  readonly name: string
  readonly findings: readonly Finding[]
}

const CHEEK_SKIN: ZoneId[] = ['cheekbone-left', 'cheek-left', 'cheekbone-right', 'cheek-right']
const seen = (kind: FindingKind, grade: number, zones: readonly ZoneId[]): Finding => ({
  kind,
  grade,
  zones: [...zones],
})

/** Common pictures of the face (common practice, no source). */
export const READING_PRESETS: readonly ReadingPreset[] = [
  {
    id: 'oily-t-dry-cheeks',
    name: 'Oily T, dry cheeks',
    findings: [seen('oily', 2, T_ZONE), seen('dry', 2, CHEEK_SKIN)],
  },
  {
    id: 'red-beside-nose',
    name: 'Red beside nose',
    findings: [seen('vessels', 2, ['nose-side-left', 'nose-side-right'])],
  },
  {
    id: 'congested-centre',
    name: 'Congested centre',
    findings: [seen('congestion', 2, ['nose-bridge', 'nose-side-left', 'nose-side-right', 'chin'])],
  },
  {
    id: 'dull-thirsty',
    name: 'Dull, thirsty',
    findings: [
      seen('dull', 1, [...CHEEK_SKIN, 'forehead']),
      seen('dehydrated', 2, [...CHEEK_SKIN, 'forehead']),
    ],
  },
  {
    id: 'eye-lines',
    name: 'Tired eyes',
    findings: [
      seen('lines', 2, EYE_CONTOUR),
      seen('puffy', 1, ['under-eye-left', 'under-eye-right']),
    ],
  },
  {
    id: 'marks',
    name: 'Marks on cheeks',
    findings: [seen('marks', 2, ['cheek-left', 'cheek-right'])],
  },
]

/** A reading with what a preset shows put in its places; what else was seen stays. */
export function withPreset(reading: Reading, { findings }: ReadingPreset): Reading {
  const kept = reading.findings.flatMap((finding): Finding[] => {
    const taken = findings.filter(({ kind }) => kind === finding.kind).flatMap(({ zones }) => zones)
    const zones = finding.zones.filter((zone) => !taken.includes(zone))
    return zones.length > 0 ? [{ ...finding, zones }] : []
  })
  return { ...reading, done: true, findings: [...kept, ...findings.map(copied)] }
}

const copied = (finding: Finding): Finding => ({ ...finding, zones: [...finding.zones] })

/** What is true of one day, and never taken over from another: it is looked for anew. */
const LOOKED_FOR_ANEW: ReadonlySet<FindingKind> = new Set([
  'new-change',
  'new-scars',
  'deep-lesion',
])

/** *As last time*: what the skin showed then, on its zones; lesions, meters and what is new are looked for anew. */
export const asLastTime = (reading: Reading, last: Reading): Reading => ({
  ...reading,
  done: true,
  findings: last.findings.filter(({ kind }) => !LOOKED_FOR_ANEW.has(kind)).map(copied),
})
