import type { Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import { mend } from '../adapt/mend'
import { lint, type LintFinding } from '../protocol/linter'
import type { Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import type { Property } from '../protocol/words'
import { EYES, LIDS, NECK, withoutZones, zonesMeet, type ZoneId } from '../skin/zones'
import { subjectReader } from '../safety/subject'
import { stepFrom } from './add'
import { STEP_CATALOGUE } from './catalogue'

/** One school of a question, with the reason it gives. */
export interface School {
  readonly id: string
  readonly name: string
  readonly why: string
}
/** A question on which practitioners differ (common practice, no source), and how each answer rewrites a ladder. */
export interface MethodQuestion {
  readonly id: string
  readonly asks: string
  readonly byDefault: string
  readonly schools: readonly School[]
  /** Left out: the answer is kept with the card and read elsewhere, as `kept` says. */
  readonly rewrite?: (bench: Bench, school: string) => readonly Step[]
  readonly kept?: string
}
/** A ladder on the bench, and what can be asked of its steps. */
export interface Bench {
  readonly steps: readonly Step[]
  readonly shelf: Shelf
  readonly question: string
  readonly has: (step: Step, ...any: Property[]) => boolean
}
export interface Rewritten {
  readonly steps: readonly Step[]
  readonly says: readonly string[]
}

const NECK_AND_CHEST: readonly ZoneId[] = [...NECK, 'decollete']
const WET = ['sponge', 'towel', 'compress', 'mitt', 'water']
const school = (id: string, name: string, why: string): School => ({ id, name, why })
const at = (bench: Bench, found: (step: Step) => boolean): number => bench.steps.findIndex(found)
const insert = (steps: readonly Step[], index: number, step: Step): Step[] => [
  ...steps.slice(0, index),
  step,
  ...steps.slice(index),
]
const fresh = (bench: Bench, row: string, after?: Step, more: Partial<Step> = {}): Step => ({
  ...stepFrom(
    STEP_CATALOGUE.find((one) => one.id === row)!,
    bench.steps,
    bench.shelf,
    after,
  ),
  byMethod: bench.question,
  ...more,
})
const closureOf = (steps: readonly Step[], id: string): Step[] =>
  steps.filter((step) => step.id === id || step.closes === id)
const withoutSteps = (steps: readonly Step[], gone: readonly Step[]): Step[] =>
  steps.filter((step) => !gone.some((one) => one.id === step.id || one.id === step.closes))
const each = (bench: Bench, found: (step: Step) => boolean, change: (step: Step) => Step): Step[] =>
  bench.steps.map((step) => (found(step) ? change(step) : step))
const comesOff = (step: Step): boolean => step.segments.some((part) => part.kind === 'remove')
const onFace = (step: Step): boolean =>
  zonesMeet(step.zones, ['forehead', 'cheek-left', 'chin', 'nose-bridge'])
const exfoliates =
  (bench: Bench) =>
  (step: Step): boolean =>
    step.phase === 'exfoliate' && bench.has(step, 'exfoliating')
const isAcid =
  (bench: Bench) =>
  (step: Step): boolean =>
    bench.has(step, 'acid') && bench.has(step, 'exfoliating')

/** Moves what is found, with its closures, before or after another step; unchanged when either is missing. */
function shift(
  steps: readonly Step[],
  found: Step | undefined,
  place: (rest: readonly Step[]) => number,
): Step[] {
  if (!found) return [...steps]
  const group = closureOf(steps, found.id)
  const rest = withoutSteps(steps, group)
  const index = place(rest)
  return index === -1 ? [...steps] : [...rest.slice(0, index), ...group, ...rest.slice(index)]
}
/** Before the first such step, and before the tissue that dries the skin for it. */
const before =
  (found: (step: Step) => boolean) =>
  (rest: readonly Step[]): number => {
    const index = rest.findIndex(found)
    return index > 0 && rest[index - 1]!.properties.includes('blotting') ? index - 1 : index
  }
/** After the last such step and what closes it. */
const after =
  (found: (step: Step) => boolean) =>
  (rest: readonly Step[]): number => {
    const last = rest.findLastIndex(found)
    return last === -1
      ? -1
      : rest.findLastIndex((step, index) => index === last || step.closes === rest[last]!.id) + 1
  }
const firstOf =
  (...places: readonly ((rest: readonly Step[]) => number)[]) =>
  (rest: readonly Step[]): number =>
    places.map((place) => place(rest)).find((index) => index !== -1) ?? -1
const lampOrCleanse = after(
  (step) =>
    step.phase === 'analysis' || step.phase === 'second-cleanse' || step.phase === 'first-cleanse',
)
const firstMask = before((step) => step.phase === 'mask')
const finish = before(
  (step) => step.phase === 'serum' || step.phase === 'eye' || step.phase === 'moisturise',
)

/** The step of a kind, put in from the catalogue where the ladder has none. */
function having(
  bench: Bench,
  found: (step: Step) => boolean,
  row: string,
  place: (rest: readonly Step[]) => number,
  more: Partial<Step> = {},
): readonly Step[] {
  if (bench.steps.some(found)) return bench.steps
  const index = place(bench.steps)
  return insert(
    bench.steps,
    index === -1 ? bench.steps.length : index,
    fresh(bench, row, undefined, more),
  )
}
const remove = (bench: Bench, found: (step: Step) => boolean): Step[] =>
  withoutSteps(bench.steps, bench.steps.filter(found))
const on = (bench: Bench, steps: readonly Step[]): Bench => ({ ...bench, steps })

function toneAfterEveryRemoval(bench: Bench): readonly Step[] {
  let steps = [...bench.steps]
  for (const step of bench.steps) {
    const index = steps.findIndex((one) => one.id === step.id)
    const wet =
      onFace(step) &&
      !step.floating &&
      step.segments.some(
        (part) => part.kind === 'remove' && part.tool !== undefined && WET.includes(part.tool),
      )
    const next = steps.slice(index + 1).find((one) => !one.floating && onFace(one))
    // A neutraliser, a tissue or a soothing gel that must follow at once comes first.
    if (
      !wet ||
      !next ||
      next.closes === step.id ||
      bench.has(next, 'toning', 'blotting', 'cleansing', 'neutralising') ||
      next.phase === 'first-cleanse'
    )
      continue
    steps = insert(
      steps,
      index + 1,
      fresh(on(bench, steps), 'tone', undefined, { closes: step.id }),
    )
  }
  return steps
}

function toneWhereItMust(bench: Bench): readonly Step[] {
  const last = bench.steps.findLastIndex((step) => bench.has(step, 'toning'))
  return bench.steps.filter((step, index) => {
    if (!bench.has(step, 'toning') || index === last) return true
    const cause = bench.steps.slice(0, index).findLast((one) => onFace(one) && one.product)
    return cause !== undefined && bench.has(cause, 'alkaline')
  })
}

function serumsTogether(bench: Bench): readonly Step[] {
  const first = bench.steps.find((step) => step.phase === 'serum')
  return each(
    bench,
    (step) => step.phase === 'serum' && step !== first && step.byMethod === undefined,
    (step) => ({
      ...step,
      byMethod: bench.question,
      title: `${step.title}, into the same palm`,
      segments: [segment('drops', 'apply', [0.1, 0.25, 0.5])],
    }),
  )
}
function serumsOneByOne(bench: Bench): readonly Step[] {
  return each(
    bench,
    (step) => step.phase === 'serum' && step.byMethod === bench.question,
    ({ byMethod: _, ...step }) => ({
      ...step,
      title: step.title.replace(', into the same palm', ''),
      segments: useOf(productById(bench.shelf, step.product?.productId), step.product?.useId)
        ?.segments ?? [segment('on', 'apply', 1), segment('dry', 'settle', 0.5)],
    }),
  )
}

function massagePlace(bench: Bench, where: string): readonly Step[] {
  const isMassage = (step: Step) => step.phase === 'massage'
  if (where === 'none') return remove(bench, isMassage)
  const exfoliation = exfoliates(bench)
  const places: Record<string, (rest: readonly Step[]) => number> = {
    'before-exfoliation': firstOf(before(exfoliation), firstMask),
    'after-exfoliation': firstOf(after(exfoliation), firstMask),
    'before-mask': firstOf(firstMask, finish),
  }
  const steps = having(bench, isMassage, 'massage', places[where]!)
  // Several massages take turns with something else on purpose.
  if (steps.filter(isMassage).length > 1) return steps
  return shift(steps, steps.find(isMassage), places[where]!)
}

function softening(bench: Bench, how: string): readonly Step[] {
  const isSteam = (step: Step) => bench.has(step, 'steam')
  const isConcentrate = (step: Step) => step.phase === 'soften' && !isSteam(step)
  const beforeExtraction = firstOf(
    before((step) => step.phase === 'extract'),
    firstMask,
  )
  const acid = bench.steps.some(isAcid(bench))
  const dry = how === 'steam' || how === 'both' ? bench : on(bench, remove(bench, isSteam))
  const bare = how === 'concentrate' || how === 'both' ? dry : on(dry, remove(dry, isConcentrate))
  const soaked =
    how === 'concentrate' || how === 'both'
      ? on(bare, having(bare, isConcentrate, 'concentrate-soften', beforeExtraction))
      : bare
  // Steam and acid never meet in one visit (rule D06).
  return (how === 'steam' || how === 'both') && !acid
    ? having(soaked, isSteam, 'steam', beforeExtraction, how === 'both' ? { priority: 1 } : {})
    : soaked.steps
}

function acidPlace(bench: Bench, where: string): readonly Step[] {
  const acid = isAcid(bench)
  if (where === 'none') return remove(bench, acid)
  const extraction = (step: Step) => step.phase === 'extract'
  const places: Record<string, (rest: readonly Step[]) => number> = {
    'before-extraction': firstOf(before(extraction), lampOrCleanse),
    'after-extraction': firstOf(after(extraction), lampOrCleanse),
    'after-massage': firstOf(
      after((step) => step.phase === 'massage'),
      firstMask,
    ),
  }
  const put = places[where]!
  const acids = bench.steps.filter(acid)
  if (acids.length > 1) return bench.steps
  if (acids.length === 1) return shift(bench.steps, acids[0], put)
  const steps = having(bench, acid, where === 'before-extraction' ? 'acid' : 'acid-short', put)
  const added = steps.find((step) => step.byMethod === bench.question)!
  const index = steps.indexOf(added)
  const blot = fresh(on(bench, steps), 'blot', undefined, { closes: added.id })
  const blotted = insert(steps, index, blot)
  const neutral = bench.has(added, 'needs-neutraliser')
    ? insert(blotted, index + 2, fresh(on(bench, blotted), 'neutralise', added))
    : blotted
  const gelAt =
    neutral.findLastIndex((step) => step.id === added.id || step.closes === added.id) + 1
  return insert(neutral, gelAt, fresh(on(bench, neutral), 'soothe', added))
}

function neckToo(bench: Bench): Step[] {
  return each(
    bench,
    (step) => onFace(step) && !step.deviceId && step.product !== undefined,
    (step) => {
      const allowed =
        useOf(productById(bench.shelf, step.product!.productId), step.product!.useId)?.zones ?? []
      return {
        ...step,
        zones: [
          ...new Set([...step.zones, ...NECK_AND_CHEST.filter((zone) => allowed.includes(zone))]),
        ],
      }
    },
  )
}
const neckPriced = (bench: Bench): Step[] =>
  each(
    bench,
    (step) => withoutZones(step.zones, NECK_AND_CHEST).length > 0,
    (step) => ({ ...step, zones: withoutZones(step.zones, NECK_AND_CHEST) }),
  )

const setMask =
  (bench: Bench) =>
  (step: Step): boolean =>
    step.phase === 'mask' && bench.has(step, 'sets', 'self-heating')
function afterSetMask(bench: Bench, how: string): readonly Step[] {
  const bare = bench.steps.filter((step) => step.byMethod !== bench.question)
  const mask = bare.findLast(setMask(bench))
  if (how !== 'rinse' || !mask) return bare
  return insert(
    bare,
    bare.indexOf(mask) + 1,
    fresh(on(bench, bare), 'damp', undefined, {
      title: 'Rinse what the mask leaves',
      closes: mask.id,
      segments: [
        segment('rinse', 'remove', [0.5, 1, 1.5], { tool: 'sponge', temperature: 'lukewarm' }),
      ],
    }),
  )
}

function mist(bench: Bench, where: string): readonly Step[] {
  const isMist = (step: Step) => step.byMethod === bench.question
  const bare = on(
    bench,
    bench.steps.filter((step) => !isMist(step)),
  )
  if (where === 'before') return having(bare, isMist, 'tone', finish, { title: 'Mist' })
  return having(
    bare,
    isMist,
    'tone',
    firstOf(
      after((step) => step.phase === 'serum'),
      finish,
    ),
    { title: 'Mist' },
  )
}

const tray = (step: Step, item: string, wanted: boolean): Step => {
  const items = (step.tray ?? []).filter((one) => one !== item)
  const now = wanted ? [...items, item] : items
  const { tray: _, ...plain } = step
  return now.length > 0 ? { ...plain, tray: now } : plain
}
const GLOVES_OFF = 'gloves off, hands washed'

function gloves(bench: Bench, how: string): Step[] {
  const last = bench.steps.findLast((step) => step.phase === 'moisturise' || step.phase === 'sun')
  return each(
    bench,
    (step) => step.phase === 'moisturise' || step.phase === 'sun',
    (step) => {
      const plain = { ...step, segments: step.segments.filter((part) => part.id !== 'bare-hands') }
      const off = how === 'off' && step === last
      return tray(
        off
          ? { ...plain, segments: [segment('bare-hands', 'hygiene', 0.5), ...plain.segments] }
          : plain,
        GLOVES_OFF,
        off,
      )
    },
  )
}

/** Removal tools that a choice of cloth replaces; peeling, lifting and gauze on eyes and lips stay. */
const CLOTHS = ['towel', 'sponge', 'mitt', 'gauze', 'compress']
function removal(bench: Bench, tool: 'towel' | 'sponge' | 'gauze'): Step[] {
  const extracted = at(bench, (step) => step.phase === 'extract')
  return bench.steps.map((step, index) => {
    if (!onFace(step) || step.floating) return step
    const own = extracted !== -1 && index > extracted && index <= extracted + 2 ? 'gauze' : tool
    return {
      ...step,
      segments: step.segments.map((part) =>
        part.kind === 'remove' && part.tool && CLOTHS.includes(part.tool)
          ? { ...part, tool: own }
          : part,
      ),
    }
  })
}

function eyeContour(bench: Bench, how: string): Step[] {
  return each(bench, setMask(bench), (step) => {
    const bare = {
      ...step,
      zones: withoutZones(step.zones, EYES),
      properties: step.properties.filter((property) => property !== 'over-lids'),
    }
    const over =
      how === 'over-lids'
        ? {
            ...bare,
            zones: [...bare.zones, ...LIDS],
            properties: [...bare.properties, 'over-lids' as const],
            say: 'It lies over your closed lids. Say the word and it stays off them.',
          }
        : bare
    return tray(over, 'eye pads', how === 'pads')
  })
}

function patchTest(bench: Bench, how: string): readonly Step[] {
  const bare = bench.steps.filter(
    (step) =>
      step.byMethod !== bench.question && !(how === 'delayed' && step.gate === 'quick-check'),
  )
  const strong = bare.find((step) => bench.has(step, 'strong-active') || isAcid(bench)(step))
  if (how !== 'quick' || !strong || bare.some((step) => step.gate === 'quick-check')) return bare
  const place = bare.findIndex((step) => step.gate === 'lamp')
  return insert(
    bare,
    place === -1 ? bare.indexOf(strong) : place,
    fresh(on(bench, bare), 'check', undefined, { checks: strong.id, closes: strong.id }),
  )
}

function evening(bench: Bench, how: string): readonly Step[] {
  const bare = on(
    bench,
    bench.steps
      .filter((step) => step.byMethod !== bench.question)
      .map((step) => {
        if (step.phase !== 'sun') return step
        const { when: _, ...plain } = step
        return plain
      }),
  )
  if (how !== 'retinoid') return bare.steps
  const day = each(
    bare,
    (step) => step.phase === 'sun',
    (step) => ({ ...step, when: { time: 'day' as const } }),
  )
  return having(
    on(bench, day),
    (step) => bench.has(step, 'retinoid') && !comesOff(step),
    'night-retinoid',
    firstOf(
      after((step) => step.phase === 'moisturise'),
      before((step) => step.phase === 'close'),
    ),
    { when: { time: 'evening' } },
  )
}

function retinolWithAcid(bench: Bench, how: string): readonly Step[] {
  const both = bench.steps.some(isAcid(bench))
  const leftOn = (step: Step) => bench.has(step, 'retinoid') && !comesOff(step)
  if (how === 'pause') return both ? remove(bench, leftOn) : bench.steps
  return each(bench, isAcid(bench), (step) => ({
    ...step,
    zones: withoutZones(step.zones, NECK_AND_CHEST),
  }))
}

const technique = (bench: Bench, found: (step: Step) => boolean, words: string): Step[] =>
  each(bench, found, (step) => ({ ...step, technique: words }))

/** Every question, in the order of work. The default of each comes first in its reason. */
export const METHODS: readonly MethodQuestion[] = [
  {
    id: 'welcome',
    asks: 'Welcome',
    byDefault: 'none',
    schools: [
      school('none', 'straight to the face', 'Keeps every minute for the skin.'),
      school(
        'ritual',
        'hands or feet ritual',
        'Ends the talk and warms the hands; costs 3 to 5 minutes.',
      ),
    ],
    rewrite: (bench, how) =>
      how === 'none'
        ? remove(bench, (step) => step.phase === 'welcome')
        : having(
            bench,
            (step) => step.phase === 'welcome',
            'welcome',
            () => 0,
          ),
  },
  {
    id: 'tone',
    asks: 'Tone',
    byDefault: 'every',
    schools: [
      school(
        'every',
        'after every removal',
        'Restores pH and takes residue; costs half a minute each.',
      ),
      school(
        'alkaline',
        'only after alkaline steps and at the end',
        'Saves the minutes where nothing alkaline was used.',
      ),
    ],
    rewrite: (bench, how) =>
      how === 'every' ? toneAfterEveryRemoval(bench) : toneWhereItMust(bench),
  },
  {
    id: 'serums',
    asks: 'Serums',
    byDefault: 'one',
    schools: [
      school('one', 'one at a time, thin to thick', 'Each can be felt and judged on its own.'),
      school(
        'cocktail',
        'together in the palm',
        'Saves minutes where every product permits mixing.',
      ),
    ],
    rewrite: (bench, how) => (how === 'cocktail' ? serumsTogether(bench) : serumsOneByOne(bench)),
  },
  {
    id: 'massage',
    asks: 'Massage',
    byDefault: 'before-mask',
    schools: [
      school(
        'before-mask',
        'before the mask',
        'After extraction and calming; the mask then settles the skin.',
      ),
      school(
        'before-exfoliation',
        'before exfoliation',
        'Loosens first; what is left comes off with the exfoliant.',
      ),
      school(
        'after-exfoliation',
        'after exfoliation, with the treatment serum',
        'The serum goes in with the strokes.',
      ),
      school('none', 'none', 'Keeps the skin unstimulated before a strong enzyme or muscle mask.'),
    ],
    rewrite: massagePlace,
  },
  {
    id: 'steam',
    asks: 'Softening',
    byDefault: 'both',
    schools: [
      school(
        'both',
        'concentrate, steam if wanted',
        'The concentrate suits everybody; steam stays a choice.',
      ),
      school(
        'steam',
        'steam before extraction',
        'Softens fast; never for pigment-prone or flushing skin.',
      ),
      school('concentrate', 'hydrating concentrate instead', 'No heat at all.'),
      school('none', 'none', 'The exfoliant softens enough.'),
    ],
    rewrite: softening,
  },
  {
    id: 'extraction',
    asks: 'Extraction',
    byDefault: 'after',
    schools: [
      school('after', 'after the exfoliant', 'The surface is loose and soft by then.'),
      school(
        'before',
        'before the exfoliant',
        'Nothing fresh is pressed; the exfoliant cleans up after it.',
      ),
    ],
    rewrite: (bench, how) =>
      shift(
        bench.steps,
        bench.steps.find((step) => step.phase === 'extract'),
        how === 'after'
          ? after((step) => exfoliates(bench)(step) || step.phase === 'soften')
          : before(exfoliates(bench)),
      ),
  },
  {
    id: 'acid',
    asks: 'Acid’s place',
    byDefault: 'before-extraction',
    schools: [
      school('before-extraction', 'before extraction', 'Loosens what is to be extracted.'),
      school(
        'after-extraction',
        'one or two minutes after extraction',
        'Reaches oil and opened pores, briefly.',
      ),
      school('after-massage', 'after massage, to firm', 'A brief acid on warm, worked skin.'),
      school('none', 'none', 'Enzyme or scrub does the work.'),
    ],
    rewrite: acidPlace,
  },
  {
    id: 'retinol-acid',
    asks: 'Retinol and acid in one visit',
    byDefault: 'pause',
    schools: [
      school('pause', 'days between', 'Irritation adds up.'),
      school(
        'same',
        'same visit, acid rinsed off within minutes, face only',
        'For skin known to bear both.',
      ),
    ],
    rewrite: retinolWithAcid,
  },
  {
    id: 'home-acid-retinoid',
    asks: 'Home acid and retinoid',
    byDefault: 'alternate',
    schools: [
      school('alternate', 'alternate evenings', 'Never both on one evening.'),
      school(
        'split',
        'acid in the morning with sun filter, retinoid in the evening',
        'Where the day is spent indoors.',
      ),
    ],
    kept: 'Read when home care is written.',
  },
  {
    id: 'neck',
    asks: 'Neck and décolleté',
    byDefault: 'included',
    schools: [
      school('included', 'always included', 'Face and neck age together.'),
      school('priced', 'priced', 'Saves a fifth of the hands-on time where it is not wanted.'),
    ],
    rewrite: (bench, how) => (how === 'included' ? neckToo(bench) : neckPriced(bench)),
  },
  {
    id: 'set-mask',
    asks: 'After a set mask',
    byDefault: 'film',
    schools: [
      school('film', 'leave the film', 'What it leaves is care.'),
      school('rinse', 'rinse', 'For skin that dislikes a film, or before a serum.'),
    ],
    rewrite: afterSetMask,
  },
  {
    id: 'mist',
    asks: 'Mist',
    byDefault: 'before',
    schools: [
      school('before', 'before serum', 'Serum spreads better on damp skin.'),
      school('after', 'after serum', 'Seals it under the moisturiser.'),
    ],
    rewrite: mist,
  },
  {
    id: 'gloves',
    asks: 'Gloves',
    byDefault: 'throughout',
    schools: [
      school('throughout', 'throughout', 'Hygiene first, in a salon.'),
      school('off', 'off for the last strokes', 'Warm hands at the end, freshly washed.'),
    ],
    rewrite: gloves,
  },
  {
    id: 'removal',
    asks: 'Removal',
    byDefault: 'by-product',
    schools: [
      school('by-product', 'as each product says', 'The maker knows how it comes off.'),
      school('towel', 'towels', 'Quick and warm; covers the whole face.'),
      school('sponge', 'sponges', 'Local: another dwell may go on.'),
      school('gauze', 'gauze, disposable', 'Nothing to wash.'),
    ],
    rewrite: (bench, how) =>
      how === 'by-product'
        ? each(
            bench,
            (step) => step.product !== undefined,
            (step) => asProduct(bench, step),
          )
        : removal(bench, how as 'towel'),
  },
  {
    id: 'mask-off',
    asks: 'Mask off',
    byDefault: 'up',
    schools: [
      school('up', 'bottom up', 'Neck to forehead, with the strokes.'),
      school('down', 'top down', 'Forehead to chin, so that nothing runs into clean zones.'),
    ],
    rewrite: (bench, how) =>
      technique(
        bench,
        (step) => step.phase === 'mask' && comesOff(step),
        how === 'up'
          ? 'Off from the neck up to the forehead.'
          : 'Off from the forehead down to the chin.',
      ),
  },
  {
    id: 'eye-contour',
    asks: 'Eye contour under set masks',
    byDefault: 'free',
    schools: [
      school('free', 'leave it free', 'Nothing hardens near the eyes.'),
      school('pads', 'cover with pads', 'Dark and quiet, with nothing on the skin.'),
      school('over-lids', 'mask over the lids', 'Only with the client’s word.'),
    ],
    rewrite: eyeContour,
  },
  {
    id: 'beard',
    asks: 'Strokes on bearded skin',
    byDefault: 'growth',
    schools: [
      school('growth', 'along the growth', 'Against it hairs break and sting.'),
      school('same', 'as for everybody', 'Where hair is soft and short.'),
    ],
    kept: 'Along the growth is asked for by rule on every bearded skin, with a quarter more time to remove.',
  },
  {
    id: 'patch-test',
    asks: 'Patch test',
    byDefault: 'delayed',
    schools: [
      school(
        'delayed',
        '24 to 48 hours before',
        'Shows what a sting cannot. No test lifts a known allergy.',
      ),
      school(
        'quick',
        'quick check of one or two minutes',
        'Shows sting only; it is no allergy test.',
      ),
    ],
    rewrite: patchTest,
  },
  {
    id: 'add-ons',
    asks: 'Enhancements',
    byDefault: 'priced',
    schools: [
      school('priced', 'priced one by one', 'They give way first when time is short.'),
      school('included', 'included', 'They stay as long as the rest allows.'),
    ],
    rewrite: (bench, how) =>
      each(
        bench,
        (step) => step.floating !== undefined,
        (step) => ({ ...step, priority: how === 'included' ? Math.max(3, step.priority) : 1 }),
      ),
  },
  {
    id: 'evening',
    asks: 'Evening finish',
    byDefault: 'sun-always',
    schools: [
      school(
        'sun-always',
        'moisturiser and sun filter always',
        'Whoever goes home by daylight is covered.',
      ),
      school(
        'retinoid',
        'retinoid left on, no sun filter',
        'In the evening only; by day the sun filter stays.',
      ),
    ],
    rewrite: evening,
  },
  {
    id: 'first-visit',
    asks: 'First visit',
    byDefault: 'lower',
    schools: [
      school('lower', 'one rung lower', 'On every lever not known to be tolerated.'),
      school(
        'full',
        'full protocol',
        'Only where tolerance is on record: the rules of the first visit hold either way.',
      ),
    ],
    kept: 'The rules lower what has no tolerated history, on every visit.',
  },
]

function asProduct(bench: Bench, step: Step): Step {
  const parts =
    useOf(productById(bench.shelf, step.product?.productId), step.product?.useId)?.segments ?? []
  return {
    ...step,
    segments: step.segments.map((part) => {
      const own = parts.find((one) => one.id === part.id && one.kind === 'remove')
      return own?.tool ? { ...part, tool: own.tool } : part
    }),
  }
}

/** Rewrites a ladder for one answer to one question, and says what it did. Deterministic; answering twice changes nothing more. */
export function applyMethod(
  steps: readonly Step[],
  question: string,
  schoolId: string,
  shelf: Shelf,
): Rewritten {
  const method = METHODS.find((one) => one.id === question)
  const chosen = method?.schools.find((one) => one.id === schoolId)
  if (!method || !chosen)
    throw new RangeError(`There is no method switch “${question}” with the answer “${schoolId}”.`)
  if (!method.rewrite) return { steps, says: [method.kept!] }
  const read = subjectReader(shelf)
  const rewritten = method.rewrite(
    {
      steps,
      shelf,
      question,
      has: (step, ...any) => any.some((property) => read(step).properties.has(property)),
    },
    schoolId,
  )
  const now = mendNew(steps, rewritten, shelf, read)
  const breaks = newlyWrong(steps, now, read)[0]
  if (breaks) return { steps, says: [`Not on this ladder: ${breaks.says}`, breaks.fix] }
  return { steps: now, says: sayWhat(steps, now, chosen) }
}

/** A rewrite leaves no wrong order behind that it brought in itself and that one touch could mend. */
function mendNew(
  was: readonly Step[],
  rewritten: readonly Step[],
  shelf: Shelf,
  read: Reader,
): readonly Step[] {
  let now = rewritten
  for (let round = 0; round < MOST_MENDS; round++) {
    const mended = newlyWrong(was, now, read)
      .filter((finding) => !TAKES_OUT.includes(finding.id))
      .map((finding) => mend(finding, now, shelf, read))
      .find((steps) => steps !== undefined)
    if (!mended) return now
    now = mended
  }
  return now
}
const MOST_MENDS = 12
/** What is mended by taking something else out is the person's to decide, never a switch's. */
const TAKES_OUT = ['L22', 'L24', 'L25']
type Reader = ReturnType<typeof subjectReader>

/** Wrong orders of the one ladder that the other did not have. */
function newlyWrong(was: readonly Step[], now: readonly Step[], read: Reader): LintFinding[] {
  const wrongOf = (steps: readonly Step[]) =>
    lint(steps.map(read), true).filter((finding) => finding.level === 'wrong')
  const known = new Set(wrongOf(was).map((finding) => `${finding.id}|${finding.stepId}`))
  return wrongOf(now).filter((finding) => !known.has(`${finding.id}|${finding.stepId}`))
}

function sayWhat(was: readonly Step[], now: readonly Step[], { why }: School): string[] {
  const ids = (steps: readonly Step[]) => new Set(steps.map((step) => step.id))
  const [before, later] = [ids(was), ids(now)]
  const added = now.filter((step) => !before.has(step.id))
  const gone = was.filter((step) => !later.has(step.id))
  const changed = now.filter((step) => {
    const old = was.find((one) => one.id === step.id)
    return old && JSON.stringify(old) !== JSON.stringify(step)
  })
  const order = (steps: readonly Step[], other: Set<string>) =>
    steps
      .filter((step) => other.has(step.id))
      .map((step) => step.id)
      .join()
  const names = (list: readonly Step[]) => [...new Set(list.map((step) => step.title))].join(', ')
  return [
    ...(added.length > 0 ? [`In: ${names(added)}.`] : []),
    ...(gone.length > 0 ? [`Out: ${names(gone)}.`] : []),
    ...(changed.length > 0 ? [`Changed: ${names(changed)}.`] : []),
    ...(order(was, later) !== order(now, before) ? ['The order moved.'] : []),
    ...(added.length + gone.length + changed.length === 0 &&
    order(was, later) === order(now, before)
      ? ['The ladder is written so already.']
      : []),
    why,
  ]
}
