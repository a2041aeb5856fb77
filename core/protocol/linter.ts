import { TEXTURES, type Property, type Texture } from './words'
import type { Segment, Step } from './model'
import { EYE_CONTOUR, EYES, zonesMeet } from '../skin/zones'

/** A wrong or unusual order, and what mends it. */
export interface LintFinding {
  readonly id: string
  readonly level: 'wrong' | 'advice'
  readonly stepId: string
  readonly says: string
  readonly fix: string
}

/** A step with all its properties, from product and device too, and what it spends of the exfoliation allowance. */
export interface Read {
  readonly step: Step
  readonly properties: ReadonlySet<Property>
  readonly points: number
  readonly product?: { readonly leaves: string; readonly texture?: Texture | undefined } | undefined
}

type Steps = readonly Read[]
type Judge = (read: Read, at: number, steps: Steps) => { says: string; fix: string } | undefined
interface Check {
  readonly id: string
  readonly level: LintFinding['level']
  readonly judge: Judge
}

const here = (one: Read, other: Read): boolean => zonesMeet(one.step.zones, other.step.zones)
const later = (steps: Steps, at: number): Read[] =>
  steps.slice(at + 1).filter((other) => here(other, steps[at]!))
const earlier = (steps: Steps, at: number): Read[] =>
  steps.slice(0, at).filter((other) => here(other, steps[at]!))
const has = (read: Read, ...any: Property[]): boolean =>
  any.some((property) => read.properties.has(property))
const isAcid = (read: Read): boolean => has(read, 'acid') && has(read, 'exfoliating')
const comesOff = (step: Step): boolean => step.segments.some((segment) => segment.kind === 'remove')
const opens = (read: Read): boolean => has(read, 'needling', 'blade')
const WET: readonly Segment['tool'][] = ['sponge', 'towel', 'compress', 'mitt', 'water']

/** How the last step left these zones. */
function stateBefore(steps: Steps, at: number): 'damp' | 'dry' | 'untouched' {
  const last = earlier(steps, at).at(-1)
  if (!last) return 'untouched'
  if (has(last, 'blotting')) return 'dry'
  return has(last, 'cleansing') ||
    last.step.segments.some((part) => part.kind === 'remove' && WET.includes(part.tool))
    ? 'damp'
    : 'dry'
}

function oilBefore(steps: Steps, at: number): Read | undefined {
  const before = earlier(steps, at)
  const oil = before.findLastIndex(
    (other) => other.product?.leaves === 'oil' && !comesOff(other.step),
  )
  return oil !== -1 && !before.slice(oil + 1).some((other) => has(other, 'cleansing'))
    ? before[oil]
    : undefined
}

/** What layers have an order: powders and sheets lie apart, sun filter goes last whatever its texture. */
const thickness = ({ step, product }: Read): number | undefined =>
  product?.texture === undefined ||
  product.texture === 'powder' ||
  product.texture === 'sheet' ||
  step.phase === 'sun' ||
  comesOff(step)
    ? undefined
    : TEXTURES.indexOf(product.texture)
/** Something thicker that still lies where this goes on. */
function thickerBelow(steps: Steps, at: number): Read | undefined {
  const own = thickness(steps[at]!)
  const before = earlier(steps, at)
  const since = before.findLastIndex((other) => has(other, 'cleansing') || comesOff(other.step))
  return own === undefined
    ? undefined
    : before.slice(since + 1).find((other) => (thickness(other) ?? -1) > own)
}

const wrong = (id: string, judge: Judge): Check => ({ id, level: 'wrong', judge })
const advice = (id: string, judge: Judge): Check => ({ id, level: 'advice', judge })
const say = (when: unknown, says: string, fix: string) => (when ? { says, fix } : undefined)

/** Wrong orders of the trade (common practice, no source). Ids are stored with protocols: never reuse one. */
const CHECKS: readonly Check[] = [
  wrong('L01', ({ step, ...read }) =>
    say(
      step.product &&
        !has({ step, ...read }, 'leave-on') &&
        step.segments.some((s) => s.kind === 'dwell') &&
        !comesOff(step),
      `${step.title} goes on and has no way off.`,
      'Add how it comes off.',
    ),
  ),
  wrong('L02', (read, at, steps) =>
    say(
      has(read, 'needs-neutraliser') && !later(steps, at)[0]?.properties.has('neutralising'),
      `${read.step.title} is not neutralised.`,
      'Put the neutraliser directly after it.',
    ),
  ),
  wrong('L03', (read, at, steps) =>
    say(
      has(read, 'alkaline') &&
        !later(steps, at)
          .find((next) => next.step.product)
          ?.properties.has('toning'),
      `${read.step.title} is alkaline and nothing tones after it.`,
      'Tone before the next product.',
    ),
  ),
  wrong('L04', (read, at, steps) => {
    const acid = has(read, 'steam')
      ? [...earlier(steps, at), ...later(steps, at)].find(isAcid)
      : undefined
    return (
      acid &&
      say(
        true,
        `Steam and ${acid.step.title} in one visit.`,
        'Leave the steam out; soften with a concentrate.',
      )
    )
  }),
  wrong('L05', (read) =>
    say(
      has(read, 'acid', 'stings', 'warming') &&
        read.step.segments.some((s) => s.kind === 'remove' && s.temperature === 'warm'),
      `${read.step.title} comes off warm.`,
      'Take it off cool.',
    ),
  ),
  advice('L06', (read, at, steps) =>
    say(
      has(read, 'extraction') &&
        !earlier(steps, at).some((other) => has(other, 'softening', 'exfoliating', 'steam')),
      `${read.step.title} before anything has softened the skin.`,
      'Exfoliate or soften first.',
    ),
  ),
  advice('L07', (read, at, steps) =>
    say(
      has(read, 'extraction') && !later(steps, at).some((other) => has(other, 'calming')),
      `Nothing calms after ${read.step.title}.`,
      'Add an astringent, cold, or a calming mask.',
    ),
  ),
  advice('L08', ({ step }, at, steps) =>
    say(
      step.phase === 'eye' && steps.slice(0, at).some((other) => other.step.phase === 'moisturise'),
      `${step.title} comes after the moisturiser.`,
      'Eye care goes first.',
    ),
  ),
  wrong('L09', (read, at, steps) =>
    say(
      has(read, 'tightening') &&
        zonesMeet(read.step.zones, EYES) &&
        !steps
          .slice(0, at)
          .some((other) => has(other, 'eye-work') && zonesMeet(other.step.zones, EYE_CONTOUR)),
      `${read.step.title} tightens on the bare eye contour.`,
      'Eye gel first, or leave the eye contour out.',
    ),
  ),
  wrong('L10', ({ step }) =>
    say(
      step.segments.some((s) => s.active && s.kind === 'dwell' && s.usualS > s.maxS),
      `${step.title} is written past its own maximum.`,
      'Shorten it.',
    ),
  ),
  wrong('L12', (read, at, steps) => {
    const burns = has(read, 'spark')
      ? earlier(steps, at).find((other) => has(other, 'flammable') && !comesOff(other.step))
      : undefined
    return (
      burns &&
      say(
        true,
        `${burns.step.title} is flammable and still lies on the skin when ${read.step.title} sparks.`,
        'Use a product without alcohol before it.',
      )
    )
  }),
  wrong('L13', (read, at, steps) =>
    say(
      has(read, 'wants-dry', 'blade') && stateBefore(steps, at) === 'damp',
      `${read.step.title} wants dry skin and comes on damp.`,
      'Blot dry before it.',
    ),
  ),
  wrong('L14', (read, at, steps) =>
    say(
      has(read, 'wants-damp', 'ultrasonic-blade') && stateBefore(steps, at) === 'dry',
      `${read.step.title} wants damp skin and comes on dry.`,
      'Dampen before it.',
    ),
  ),
  wrong('L15', (read) =>
    say(
      has(read, 'current', 'rf', 'ultrasound') &&
        !has(read, 'conductive', 'spark') &&
        !read.step.tray?.some((item) => /gel|ampoule|emulsion/i.test(item)),
      `${read.step.title} has no conductive gel.`,
      'Lay the gel on its tray.',
    ),
  ),
  wrong('L16', (read, at, steps) => {
    const oil = has(read, 'current', 'infusion', 'ultrasound') ? oilBefore(steps, at) : undefined
    return (
      oil &&
      say(
        true,
        `The oil of ${oil.step.title} still lies under ${read.step.title}.`,
        'Wipe it off first.',
      )
    )
  }),
  wrong('L17', (read, at, steps) =>
    say(
      has(read, 'self-heating') && earlier(steps, at).some(isAcid),
      `${read.step.title} heats over a fresh acid.`,
      'A cool mask after an acid.',
    ),
  ),
  advice('L18', (read, at, steps) => {
    if (!has(read, 'stings') || !comesOff(read.step)) return undefined
    const after = later(steps, at)
    const active = after.findIndex((other) =>
      has(other, 'exfoliating', 'current', 'warming', 'retinoid'),
    )
    return say(
      active !== -1 && !after.slice(0, active).some((other) => has(other, 'calming')),
      `Nothing soothes between ${read.step.title} and the next active.`,
      'A soothing gel in between.',
    )
  }),
  wrong('L20', ({ step }) => {
    const [mix, on] = [
      step.segments.find((s) => s.workingS !== undefined),
      step.segments.find((s) => s.kind === 'apply'),
    ]
    return say(
      mix && on && on.usualS > mix.workingS!,
      `${step.title} sets before it is on.`,
      'Apply faster, or mix less.',
    )
  }),
  advice('L22', ({ step }, _at, steps) =>
    say(
      step.floating &&
        !steps.some(
          (other) =>
            other.step.id !== step.id &&
            other.step.segments.some(
              (s) => s.kind === 'dwell' && s.admits?.includes(step.floating!.needs),
            ),
        ),
      `${step.title} has no mask or rest to hang under.`,
      'Choose a mask that leaves the hands free.',
    ),
  ),
  wrong('L24', (read, at, steps) =>
    say(
      opens(read) &&
        [...earlier(steps, at), ...later(steps, at)].some(
          (other) => isAcid(other) || has(other, 'mechanical', 'scrub', 'suction'),
        ),
      `${read.step.title} with a peel, a scrub or suction in one visit.`,
      'Make them two visits of one course.',
    ),
  ),
  wrong('L25', (read, at, steps) => {
    const unfit = opens(read)
      ? later(steps, at).find((other) => other.step.product && !has(other, 'open-skin-use'))
      : undefined
    return (
      unfit &&
      say(
        true,
        `${unfit.step.title} goes on open skin after ${read.step.title}.`,
        'Only what its maker states for open skin.',
      )
    )
  }),
  wrong('L26', (read) =>
    say(
      has(read, 'needling') && !read.step.tray?.some((item) => /sterile|single/i.test(item)),
      `${read.step.title} names no sterile single-use tip.`,
      'Lay one on its tray; it is never used again.',
    ),
  ),
  wrong('L27', (read, at, steps) => {
    const cover = has(read, 'stand-alone')
      ? later(steps, at).find((other) => has(other, 'occlusive'))
      : undefined
    return (
      cover &&
      say(
        true,
        `${cover.step.title} seals in ${read.step.title}, which stands alone.`,
        'Nothing over it.',
      )
    )
  }),
  advice('L29', (read, at, steps) => {
    const below = thickerBelow(steps, at)
    return (
      below &&
      say(
        true,
        `${read.step.title} is thinner than ${below.step.title}, which lies there already.`,
        'Thin before thick: put it on first.',
      )
    )
  }),
  wrong('L28', ({ step }) => {
    const half = (polarity: Segment['polarity']) =>
      step.segments.reduce((sum, part) => sum + (part.polarity === polarity ? part.usualS : 0), 0)
    return say(
      step.segments.some((part) => part.polarity) && half('negative') !== half('positive'),
      `${step.title}: the two poles do not run equally long.`,
      'Make both halves equal.',
    )
  }),
]

// C15: what no skin takes, and what normal skin takes.
const ALLOWANCE_MOST = 3
const ALLOWANCE_NORMAL = 2

/** Checks of the whole ladder. `daytime`: the visit ends by daylight. */
const WHOLE: readonly ((steps: Steps, daytime: boolean) => LintFinding[])[] = [
  (steps, daytime) => {
    const treated = steps.some(
      (read) => read.step.phase === 'moisturise' || has(read, 'exfoliating'),
    )
    if (!daytime || !treated || steps.some((read) => has(read, 'sun-filter'))) return []
    return [
      {
        id: 'L11',
        level: 'wrong',
        stepId: steps.at(-1)!.step.id,
        says: 'A daytime visit ends without sun filter.',
        fix: 'Add sun filter after the moisturiser.',
      },
    ]
  },
  (steps) => {
    const over = (most: number): Read | undefined =>
      steps.find(
        (read, at) =>
          read.points > 0 &&
          read.points + earlier(steps, at).reduce((sum, other) => sum + other.points, 0) > most,
      )
    const [far, some] = [over(ALLOWANCE_MOST), over(ALLOWANCE_NORMAL)]
    if (far)
      return [
        {
          id: 'L19',
          level: 'wrong',
          stepId: far.step.id,
          says: `With ${far.step.title} the ladder exfoliates more than any skin takes.`,
          fix: 'Take one of the exfoliating steps out.',
        },
      ]
    return some
      ? [
          {
            id: 'L19',
            level: 'advice',
            stepId: some.step.id,
            says: `With ${some.step.title} the ladder exfoliates more than normal skin takes.`,
            fix: 'For resilient skin only; else it is left out.',
          },
        ]
      : []
  },
  (steps, daytime) =>
    steps
      .filter((read) => daytime && has(read, 'retinoid') && !comesOff(read.step))
      .map((read) => ({
        id: 'L21',
        level: 'wrong' as const,
        stepId: read.step.id,
        says: `${read.step.title} leaves a retinoid on by day.`,
        fix: 'Keep it for the evening.',
      })),
]

/** Reads a ladder for wrong and unusual orders. `daytime`: the visit ends by daylight. */
export function lint(written: Steps, daytime: boolean): LintFinding[] {
  // What is written for the other time of day is not in this visit.
  const steps = written.filter(
    ({ step }) => !step.when?.time || (step.when.time === 'day') === daytime,
  )
  const single = CHECKS.flatMap(({ id, level, judge }) =>
    steps.flatMap((read, at) => {
      const found = judge(read, at, steps)
      return found ? [{ id, level, stepId: read.step.id, ...found }] : []
    }),
  )
  return [...single, ...WHOLE.flatMap((check) => check(steps, daytime))]
}
