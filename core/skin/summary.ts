import { FINDINGS, type FindingKind } from './findings'
import { isInflamed } from './lesions'
import type { Finding, MeterValue, Reading } from './model'
import { CHEEKS, T_ZONE, zoneName, zonesInWords, zonesMeet, type ZoneId } from './zones'

/** One word about the skin, with what it rests on. */
export interface SummaryWord {
  readonly word: string
  readonly evidence: readonly string[]
}
/** Type (oil) and condition (water, barrier, reactivity, pigment …) are kept apart: oily and dehydrated is a reading of its own. */
export interface SkinSummary {
  readonly type: SummaryWord
  readonly conditions: readonly SummaryWord[]
}

// Below and above these a meter speaks (the simulated probe's own scale 0–100; house figures).
const DRY_BELOW = 35
const OILY_ABOVE = 65
const THIRSTY_BELOW = 35
const RED_ABOVE = 60

const nameOf = (kind: FindingKind): string => FINDINGS.find((words) => words.kind === kind)!.name
const wordsFor = (finding: Finding): string =>
  `${nameOf(finding.kind)}${FINDINGS.find((words) => words.kind === finding.kind)!.ungraded ? '' : ` ${finding.grade} of 4`}, ${zonesInWords(finding.zones)}`
const measured = (meter: MeterValue): string =>
  `${meter.kind} ${meter.value} of 100, ${zoneName(meter.zone)}`

/** The skin of one reading in words, each with its evidence. Says "not read" when nobody has looked. */
export function summarise(
  reading: Pick<Reading, 'done' | 'findings' | 'lesions' | 'meters'>,
): SkinSummary {
  return {
    type: typeOf(reading),
    conditions: CONDITIONS.flatMap(({ word, find }) => {
      const evidence = find(reading)
      return evidence.length > 0 ? [{ word, evidence }] : []
    }),
  }
}

type Read = Pick<Reading, 'done' | 'findings' | 'lesions' | 'meters'>

function typeOf(reading: Read): SummaryWord {
  const oil = evidenceOf(reading, 'oily', 'sebum', (value) => value > OILY_ABOVE)
  const dry = evidenceOf(reading, 'dry', 'sebum', (value) => value < DRY_BELOW)
  const [oilyT, oilyCheeks] = [
    oil.some((finding) => zonesMeet(finding.zones, T_ZONE)),
    oil.some((finding) => zonesMeet(finding.zones, CHEEKS)),
  ]
  const evidence = [...oil, ...dry].map((finding) => finding.says)
  if (oilyT && !oilyCheeks) return { word: 'combination', evidence }
  if (oil.length > 0 && dry.length > 0) return { word: 'combination', evidence }
  if (oil.length > 0) return { word: 'oily', evidence }
  if (dry.length > 0) return { word: 'dry', evidence }
  return reading.done
    ? { word: 'normal', evidence: ['Read, with neither too much oil nor too little'] }
    : { word: 'not read', evidence: [] }
}

interface Evidence {
  readonly says: string
  readonly zones: readonly ZoneId[]
}
function evidenceOf(
  reading: Read,
  kind: FindingKind,
  meter: MeterValue['kind'],
  speaks: (value: number) => boolean,
): Evidence[] {
  return [
    ...reading.findings
      .filter((finding) => finding.kind === kind)
      .map((finding) => ({ says: wordsFor(finding), zones: finding.zones })),
    ...reading.meters
      .filter((other) => other.kind === meter && speaks(other.value))
      .map((meter) => ({ says: measured(meter), zones: [meter.zone] })),
  ]
}

const found =
  (kinds: readonly FindingKind[], least = 1) =>
  ({ findings }: Read): string[] =>
    findings
      .filter((finding) => kinds.includes(finding.kind) && finding.grade >= least)
      .map(wordsFor)
const metered =
  (kind: MeterValue['kind'], speaks: (value: number) => boolean) =>
  ({ meters }: Read): string[] =>
    meters.filter((meter) => meter.kind === kind && speaks(meter.value)).map(measured)

const CONDITIONS: readonly { word: string; find: (reading: Read) => string[] }[] = [
  { word: 'impaired barrier', find: found(['barrier']) },
  {
    word: 'dehydrated',
    find: (reading) => [
      ...found(['dehydrated', 'surface-dry'])(reading),
      ...metered('hydration', (value) => value < THIRSTY_BELOW)(reading),
    ],
  },
  { word: 'sensitive', find: found(['sensitive']) },
  {
    word: 'reactive',
    find: (reading) => [
      ...found(['flushing'])(reading),
      ...found(['vessels'], 2)(reading),
      ...metered('redness', (value) => value > RED_ABOVE)(reading),
    ],
  },
  {
    word: 'inflamed',
    find: (reading) => [...found(['inflamed', 'deep-lesion'])(reading), ...inflamedPins(reading)],
  },
  { word: 'congested', find: found(['congestion']) },
  { word: 'pigment-prone', find: found(['patchy-pigment', 'marks']) },
  {
    word: 'mature',
    find: (reading) => [...found(['lines'], 2)(reading), ...found(['laxity'], 2)(reading)],
  },
  { word: 'resilient', find: found(['resilient']) },
]

function inflamedPins({ lesions }: Read): string[] {
  const count = lesions.filter(isInflamed).length
  return count === 0 ? [] : [`${count} inflamed ${count === 1 ? 'lesion' : 'lesions'} on the map`]
}
