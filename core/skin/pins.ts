import type { FindingKind } from './findings'
import type { LesionType } from './lesion-words'
import type { Finding, Lesion } from './model'

/** What a pin says of its zone, as if it had been painted. */
const PIN_SAYS: Readonly<Partial<Record<LesionType, FindingKind>>> = {
  papule: 'inflamed',
  pustule: 'inflamed',
  nodule: 'inflamed',
}

function saysOf({ type, decision }: Lesion): FindingKind | undefined {
  const isComedone = type === 'open-comedone' || type === 'closed-comedone'
  return isComedone && decision === 'ready' ? 'congestion' : PIN_SAYS[type]
}

/** Pinned lesions as findings of their zones, each kind once per zone, of the slightest grade. */
export function pinnedFindings(lesions: readonly Lesion[]): Finding[] {
  const found = new Map<string, Finding>()
  for (const lesion of lesions) {
    const kind = saysOf(lesion)
    if (kind) found.set(`${kind}|${lesion.zone}`, { kind, grade: 1, zones: [lesion.zone] })
  }
  return [...found.values()].sort((a, b) => (a.zones[0]! < b.zones[0]! ? -1 : 1))
}
