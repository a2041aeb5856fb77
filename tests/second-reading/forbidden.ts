import type { Touch } from './touch'
import {
  any,
  HOT,
  ENERGIES,
  isAcid,
  acidAbove,
  enzymeAbove,
  longer,
  either,
  anything,
  type Bad,
} from './bad'
import type { Facts, Visit } from './facts'
import { allergensIn } from './allergens'

// The tables of the trade, read once more. Each row: why, whether or where it holds, and what may then not be put on.

type Where = boolean | readonly string[] | 'all'
type Row = readonly [why: string, where: (facts: Facts, visit: Visit) => Where, bad: Bad]

/** A finding anywhere. */
const somewhere = (zones: readonly string[]): boolean => zones.length > 0
const EYES = [
  'upper-lid-left',
  'upper-lid-right',
  'under-eye-left',
  'under-eye-right',
  'crows-foot-left',
  'crows-foot-right',
]
const WORK = any('exfoliating', 'device', ...HOT)
const pigment = (f: Facts): boolean =>
  f.has('melasma') ||
  somewhere(f.seen('patchy-pigment')) ||
  somewhere(f.seen('marks')) ||
  (f.said('phototype-iv-vi') !== undefined && somewhere([...f.seen('inflamed')]))
const isSpread = (zones: readonly string[]): boolean => new Set(zones).size >= 3
const muchPigment = (f: Facts): boolean =>
  f.has('melasma') ||
  ['patchy-pigment', 'marks'].some(
    (kind) => somewhere(f.seen(kind, 2)) || isSpread(f.seen(kind)),
  ) ||
  (f.said('phototype-iv-vi') !== undefined && somewhere([...f.seen('inflamed')]))
const injected: Bad = any('rf', 'current', 'suction', 'firm-pressure')
const NEEDS_A_PHYSICIAN: Bad = any('led', 'firm-pressure', ...ENERGIES, ...HOT)
const JAW = ['jaw-left', 'jaw-right']

const RENEWING: Bad = either(
  any('exfoliating', 'changing-light', 'field', ...ENERGIES, ...HOT),
  ({ is }) => is.has('device') && !is.has('cold') && !is.has('led'),
)
const worked =
  (property: string) =>
  ({ work }: Visit['history'][number]): boolean =>
    work?.includes(property) ?? false

const HEALTH: readonly Row[] = [
  [
    'throat: firm hands',
    () => ['neck-front', 'neck-side-left', 'neck-side-right'],
    any('firm-pressure'),
  ],
  ['throat: current', () => ['neck-front'], any('current', 'ultrasound')],
  ['implant', (f) => f.has('implant-electronic'), any('field', 'magnet', ...ENERGIES)],
  ['metal', (f) => f.zones('metal'), any(...ENERGIES)],
  ['seizures', (f) => f.has('epilepsy'), any('changing-light', 'current', 'led')],
  [
    'pregnant',
    (f) => f.has('pregnancy'),
    either(any('retinoid', 'hydroquinone', 'needling', ...ENERGIES, ...HOT), acidAbove(1)),
  ],
  [
    'breast-feeding',
    (f) => f.has('breast-feeding'),
    any('retinoid', 'hydroquinone', 'salicylic-strong'),
  ],
  ['a child at the chest', (f) => (f.has('breast-feeding') ? ['decollete'] : []), any('leave-on')],
  ['cancer', (f) => f.has('cancer', 1826), NEEDS_A_PHYSICIAN],
  ['skin cancer here', (f) => f.zones('skin-cancer'), NEEDS_A_PHYSICIAN],
  ['steroid', (f) => f.has('steroid', 28), any('blade', 'mechanical', 'needling')],
  [
    'strong sun',
    (f) => f.has('strong-sun', 3),
    either(acidAbove(1), any('blade', 'needling', 'rf')),
  ],
  [
    'light-sensitising',
    (f) => f.has('photosensitiser-strong', 7),
    either(any('led'), acidAbove(1)),
  ],
  [
    'isotretinoin',
    (f) => f.has('isotretinoin', 183),
    either(
      any('suction', 'rf', 'needling', 'blade', 'exfoliating', ...HOT),
      longer('extraction', 5),
    ),
  ],
  [
    'prescription retinoid',
    (f) => f.has('retinoid-prescription', 3),
    either(isAcid, any('mechanical', 'scrub', 'blade', 'needling', 'rf'), enzymeAbove(1)),
  ],
  [
    'retinol at home',
    (f) => f.has('retinol', 3) || f.has('own-exfoliant', 3),
    either(acidAbove(1), enzymeAbove(1)),
  ],
  [
    'blood thinner',
    (f) => f.has('anticoagulant', 14) || f.has('bleeding-disorder'),
    either(any('needling', 'blade', 'lancet'), longer('extraction', 5)),
  ],
  [
    'diabetes',
    (f) => f.has('diabetes'),
    either(any('blade', 'needling'), acidAbove(1), enzymeAbove(1)),
  ],
  ['radiation', (f) => f.zones('radiation-field'), anything],
  ['keloid', (f) => f.has('keloid'), any('needling')],
  ['wound', (f) => f.zones('open-wound'), anything],
  [
    'sunburn',
    (f) => f.has('sunburn', 3),
    any('exfoliating', ...HOT, 'retinoid', 'current', 'firm-pressure', 'led', 'needling'),
  ],
  ['botulinum', (f) => f.zones('botulinum', 14), injected],
  ['filler', (f) => f.zones('filler', 14), injected],
  ['filler and heat', (f) => f.zones('filler', 28), any('rf', ...HOT)],
  ['other injections', (f) => f.zones('injectables', 28), injected],
  ['hair removed by light', (f) => f.zones('hair-removal', 14), either(WORK, any('retinoid'))],
  ['jaw joint', (f) => (f.has('jaw-joint') ? JAW : []), any('firm-pressure')],
  [
    'eye pressure',
    (f) => (f.has('eye-pressure') ? EYES : []),
    any('firm-pressure', 'aerosol', 'suction'),
  ],
  ['threads', (f) => f.zones('threads', 90), either(injected, any(...HOT))],
  ['light peel, days ago', (f) => f.has('peel-light', 2), WORK],
  ['light peel', (f) => f.has('peel-light', 14), RENEWING],
  ['medium peel', (f) => f.has('peel-medium', 28), WORK],
  ['deep peel', (f) => f.has('peel-deep', 90), WORK],
  [
    'needling here',
    (f) => f.sinceWork((past) => past.work?.includes('needling') ?? false) <= 28,
    WORK,
  ],
  ['mechanical peel here', (f) => f.sinceWork(worked('mechanical')) <= 14, RENEWING],
  [
    'a peel here',
    (f) =>
      f.sinceWork(
        ({ levers, points = 3 }) =>
          points > 1 && levers.some(({ lever, rung }) => lever === 'acid' && rung >= 3),
      ) <= 14,
    any('exfoliating'),
  ],
  [
    'upper lip waxed',
    (f) => (listed(f.zones('waxing', 3)).includes('upper-lip') ? ['lips'] : []),
    any('scrub', 'mechanical', 'warming'),
  ],
  ['waxed', (f) => f.zones('waxing', 3), either(isAcid, any('scrub', 'mechanical', 'warming'))],
  ['shaved', (f) => f.zones('shaved', 1), any('scrub', 'mechanical')],
  [
    'thyroid',
    (f) => (f.has('thyroid-carotid') ? ['neck-front', 'under-chin'] : []),
    any('firm-pressure', 'current', 'field'),
  ],
  ['hives from cold', (f) => f.has('cold-urticaria'), any('cold')],
  [
    'hives from cold, off cool',
    (f) => f.has('cold-urticaria'),
    (touch) => isAcid(touch) && !touch.is.has('leave-on'),
  ],
  [
    'cold sores before, lips',
    (f) => (f.has('cold-sore-history') ? ['lips'] : []),
    any('scrub', 'warming'),
  ],
  ['hives from heat', (f) => f.has('heat-urticaria'), any(...HOT)],
  ['lashes', (f) => (f.has('lash-extensions') ? EYES : []), any('oil', 'steam')],
  ['lids', (f) => f.has('lash-extensions'), any('over-lids')],
  [
    'covered',
    (f) => f.has('claustrophobia'),
    any('occludes-eyes', 'occludes-mouth', 'over-lids', 'panel'),
  ],
  ['under sixteen', (f) => f.age < 16, either(any('rf', 'needling', 'retinoid'), acidAbove(1))],
  ['metal that stays', (f) => f.zones('worn-metal-stays'), any('current', 'field', 'rf', 'steam')],
  [
    'changed spot',
    (f) => [...listed(f.zones('changed-lesion')), ...f.seen('new-change'), ...f.pinned('changed')],
    anything,
  ],
  ['sore eye', (f) => (f.has('eye-infection') || f.has('eye-surgery', 56) ? EYES : []), anything],
  [
    'numb',
    (f) => f.has('reduced-feeling') || f.has('dental-injection'),
    any(...HOT, ...ENERGIES, 'cold', 'firm-pressure'),
  ],
  ['light disease', (f) => f.has('light-disease'), either(isAcid, any('led', 'rf', 'heat'))],
  ['arm', (f) => (f.has('lymph-nodes') ? ['arms', 'hands'] : []), anything],
  ['leg', (f) => (f.has('legs') ? ['feet'] : []), anything],
  ['eczema', (f) => f.zones('skin-patch'), anything],
  ['vitiligo', (f) => f.zones('vitiligo'), any('mechanical', 'scrub', 'blade', 'needling')],
  ['permanent make-up', (f) => f.zones('permanent-makeup', 42), anything],
  ['blocked nose', (f) => f.has('blocked-nose'), any('occludes-mouth')],
]

const SKIN: readonly Row[] = [
  [
    'flushing',
    (f) => [...f.seen('flushing', 2), ...f.seen('vessels', 2)],
    any(
      ...['steam', 'scrub', 'warming', 'self-heating', 'firm-pressure'],
      ...['rf', 'mechanical', 'blade', 'needling', 'iced'],
    ),
  ],
  ['pigment', (f) => pigment(f), either(acidAbove(2), longer('extraction', 5))],
  ['much pigment', (f) => muchPigment(f), any('steam', 'self-heating', 'warming', 'rf')],
  ['a mark', (f) => [...f.seen('patchy-pigment'), ...f.seen('marks')], any('self-heating', 'rf')],
  ['barrier', (f) => f.seen('barrier'), any('exfoliating', 'retinoid')],
  ['sensitive', (f) => f.seen('sensitive'), acidAbove(2)],
  [
    'inflamed',
    (f) => [...f.seen('inflamed'), ...f.pinned('papule', 'pustule', 'nodule')],
    any('scrub', 'mechanical', 'blade', 'needling'),
  ],
  ['inflamed, painted', (f) => f.seen('inflamed'), any('suction', 'firm-pressure')],
  [
    'nodule',
    (f) => somewhere(f.pinned('nodule')) || somewhere(f.seen('new-scars')),
    either(acidAbove(1), longer('extraction', 5), any('mechanical', 'scrub')),
  ],
  ['beard', (f) => f.has('facial-hair'), any('film-peel')],
  [
    'lips',
    () => ['lips'],
    ({ product, is }) => product !== undefined && (!is.has('lip-safe') || is.has('peel-solution')),
  ],
  [
    'neck, face only',
    () => ['neck-front', 'neck-side-left', 'neck-side-right', 'decollete'],
    either(any('face-only'), acidAbove(2)),
  ],
  [
    'stung today',
    (_f, { felt }) => (felt?.length ?? 0) > 0,
    any('exfoliating', 'acid', 'enzyme', 'retinoid', 'stings', 'blade', 'needling', 'rf', ...HOT),
  ],
  [
    'blue light',
    (f) => pigment(f) || f.has('phototype-iii') || f.has('phototype-iv-vi'),
    any('led-blue'),
  ],
]

const first = (_f: Facts, { history }: Visit): boolean => history.length === 0
const daysBy = (points = 0): number => [0, 7, 14].find((_, most) => points <= most) ?? 28
const VISITS: readonly Row[] = [
  [
    'exfoliated too lately',
    (f, { history }) =>
      history.some(
        ({ points }, at) => f.sinceWork((past) => past === history[at]) < daysBy(points),
      ),
    any('exfoliating'),
  ],
  ['scrubbed within a week', (f) => f.sinceWork(worked('scrub')) < 7, any('scrub')],
  ['bladed within 28 days', (f) => f.sinceWork(worked('blade')) < 28, any('blade')],
  ['first visit, acid', first, acidAbove(2)],
  ['first visit, enzyme', first, enzymeAbove(2)],
]

const mayNot =
  (technique: string) =>
  (_f: Facts, { practitioner }: Visit): boolean =>
    practitioner !== undefined && !practitioner.scope.includes(technique)
const SCOPE: readonly Row[] = [
  ['needling out of scope', mayNot('needling'), any('needling')],
  ['blade out of scope', mayNot('blade'), any('blade')],
  ['radio frequency out of scope', mayNot('rf'), any('rf')],
  ['lancet out of scope', mayNot('lancet'), any('lancet')],
]

const listed = (where: readonly string[] | 'all'): readonly string[] =>
  where === 'all' ? [] : where

/** Everything of this touch that may not be, in a few words each. */
export function forbiddenIn(touch: Touch, facts: Facts, visit: Visit): string[] {
  const rows = [...HEALTH, ...SKIN, ...VISITS, ...SCOPE].filter(([, where, bad]) => {
    if (!bad(touch)) return false
    const at = where(facts, visit)
    if (at === true || at === 'all') return true
    return at !== false && touch.zones.some((zone) => at.includes(zone))
  })
  return [...rows.map(([why]) => why), ...allergensIn(touch, facts, visit)]
}
