import { each, comesOff, exfoliates, shift, before, after, having, remove } from '../methods/bench'
import type { MethodQuestion, School } from '../methods/model'
import { massagePlace, softening, acidPlace, steamBeforeAcid } from '../methods/order'
import {
  toneAfterEveryRemoval,
  toneWhereItMust,
  serumsTogether,
  serumsOneByOne,
  mist,
  neckToo,
  neckPriced,
  evening,
  retinolWithAcid,
} from '../methods/care'
import {
  afterSetMask,
  gloves,
  clothNamed,
  removal,
  asProduct,
  eyeContour,
  patchTest,
  technique,
} from '../methods/masks'

const school = (id: string, name: string, why: string): School => ({ id, name, why })

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
    id: 'steam-acid',
    asks: 'Steam before an acid',
    byDefault: 'none',
    schools: [
      school('none', 'none', 'Warm skin takes more acid than it is meant to.'),
      school(
        'cooled',
        'five minutes, cooled for ten',
        'Opens the way for extraction; the acid then stands one rung lower, and never on skin that flushes or marks.',
      ),
    ],
    rewrite: steamBeforeAcid,
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
        'acid in the morning with sun protection, retinoid in the evening',
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
    rewrite: (bench, how) => {
      const cloth = clothNamed(how)
      if (cloth) return removal(bench, cloth)
      return each(
        bench,
        (step) => step.product !== undefined,
        (step) => asProduct(bench, step),
      )
    },
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
        'moisturiser and sun protection always',
        'Whoever goes home by daylight is covered.',
      ),
      school(
        'retinoid',
        'retinoid left on, no sun protection',
        'In the evening only; by day the sun protection stays.',
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
