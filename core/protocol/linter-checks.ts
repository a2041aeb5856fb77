import { isSterileTip } from './tray'
import type { Segment } from './model'
import { EYE_CONTOUR, EYES, zonesMeet } from '../skin/zones'
import {
  type Check,
  later,
  earlier,
  has,
  isAcid,
  isCooledBetween,
  isUnfitAfter,
  softens,
  findingIf,
  advice,
  wrong,
  mindsWarmth,
  comesOff,
  finishes,
  isSheet,
  isWork,
  opens,
  stateBefore,
  oilBefore,
  thickerBelow,
} from './linter-reading'

/** Wrong orders of the trade (common practice, no source). Ids are stored with protocols: never reuse one. */
export const CHECKS: readonly Check[] = [
  wrong('L01', ({ step, ...read }) =>
    findingIf(
      step.product &&
        !has({ step, ...read }, 'leave-on') &&
        step.segments.some((s) => s.kind === 'dwell') &&
        !comesOff(step),
      `${step.title} goes on and has no way off.`,
      'Add how it comes off.',
    ),
  ),
  wrong('L02', (read, at, steps) =>
    findingIf(
      has(read, 'needs-neutraliser') && !later(steps, at)[0]?.properties.has('neutralising'),
      `${read.step.title} is not neutralised.`,
      'Put the neutraliser directly after it.',
    ),
  ),
  wrong('L03', (read, at, steps) =>
    findingIf(
      has(read, 'alkaline') &&
        !later(steps, at)
          .find((next) => next.step.product)
          ?.properties.has('toning'),
      `${read.step.title} is alkaline and nothing tones after it.`,
      'Tone before the next product.',
    ),
  ),
  wrong('L04', (read, at, steps) => {
    if (!has(read, 'steam')) return undefined
    const acid = [...earlier(steps, at), ...later(steps, at)].find(isAcid)
    if (!acid || isCooledBetween(read, acid, steps)) return undefined
    return findingIf(
      true,
      `Steam and ${acid.step.title} in one visit.`,
      has(read, 'steam-cooled')
        ? 'Ten minutes and something cold between them, the acid after; or leave the steam out.'
        : 'Leave the steam out; soften with a concentrate.',
    )
  }),
  wrong('L05', (read) =>
    findingIf(
      mindsWarmth(read) &&
        read.step.segments.some((s) => s.kind === 'remove' && s.temperature === 'warm'),
      `${read.step.title} comes off warm.`,
      'Take it off cool.',
    ),
  ),
  wrong('L06', (read, at, steps) =>
    findingIf(
      has(read, 'extraction') && !earlier(steps, at).some(softens),
      `${read.step.title} before anything has softened the skin.`,
      'Exfoliate or soften first.',
    ),
  ),
  advice('L07', (read, at, steps) =>
    findingIf(
      has(read, 'extraction') && !later(steps, at).some((other) => has(other, 'calming')),
      `Nothing calms after ${read.step.title}.`,
      'Add an astringent, cold, or a calming mask.',
    ),
  ),
  advice('L08', ({ step }, at, steps) =>
    findingIf(
      step.phase === 'eye' && steps.slice(0, at).some((other) => other.step.phase === 'moisturise'),
      `${step.title} comes after the moisturiser.`,
      'Eye care goes first.',
    ),
  ),
  wrong('L09', (read, at, steps) =>
    findingIf(
      has(read, 'tightening', 'drying') &&
        zonesMeet(read.step.zones, EYES) &&
        !steps
          .slice(0, at)
          .some((other) => has(other, 'eye-work') && zonesMeet(other.step.zones, EYE_CONTOUR)),
      `${read.step.title} ${has(read, 'tightening') ? 'tightens' : 'dries'} on the bare eye contour.`,
      'Eye gel first, or leave the eye contour out.',
    ),
  ),
  wrong('L10', ({ step }) =>
    findingIf(
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
      findingIf(
        true,
        `${burns.step.title} is flammable and still lies on the skin when ${read.step.title} sparks.`,
        'Use a product without alcohol before it.',
      )
    )
  }),
  wrong('L13', (read, at, steps) =>
    findingIf(
      has(read, 'wants-dry', 'blade') && stateBefore(steps, at) === 'damp',
      `${read.step.title} wants dry skin and comes on damp.`,
      'Blot dry before it.',
    ),
  ),
  wrong('L14', (read, at, steps) =>
    findingIf(
      has(read, 'wants-damp', 'ultrasonic-blade') && stateBefore(steps, at) === 'dry',
      `${read.step.title} wants damp skin and comes on dry.`,
      'Dampen before it.',
    ),
  ),
  wrong('L15', (read) =>
    findingIf(
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
      findingIf(
        true,
        `The oil of ${oil.step.title} still lies under ${read.step.title}.`,
        'Wipe it off first.',
      )
    )
  }),
  wrong('L17', (read, at, steps) =>
    findingIf(
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
    return findingIf(
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
    return findingIf(
      mix && on && on.usualS > mix.workingS!,
      `${step.title} sets before it is on.`,
      'Apply faster, or mix less.',
    )
  }),
  advice('L22', ({ step }, _at, steps) =>
    findingIf(
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
    findingIf(
      opens(read) &&
        [...earlier(steps, at), ...later(steps, at)].some(
          (other) => isAcid(other) || has(other, 'mechanical', 'scrub', 'suction'),
        ),
      `${read.step.title} with a peel, a scrub or suction in one visit.`,
      'Make them two visits of one course.',
    ),
  ),
  wrong('L25', (read, at, steps) => {
    const unfit = later(steps, at).find((other) => isUnfitAfter(read, other))
    return (
      unfit &&
      findingIf(
        true,
        `${unfit.step.title} goes on ${has(read, 'needling') ? 'open' : 'fresh'} skin after ${read.step.title}.`,
        has(read, 'needling')
          ? 'Only what its maker states for open skin.'
          : 'Bland and mineral: no acid, retinoid, scrub, alcohol, scent or warmth.',
      )
    )
  }),
  wrong('L26', (read) =>
    findingIf(
      has(read, 'needling') && !read.step.tray?.some(isSterileTip),
      `${read.step.title} names no sterile single-use tip.`,
      'Lay one on its tray; it is never used again.',
    ),
  ),
  wrong('L31', (read, at, steps) => {
    const after = finishes(read)
      ? later(steps, at).findIndex((other) => has(other, 'cleansing') || isWork(other))
      : -1
    const work = after === -1 ? undefined : later(steps, at)[after]
    return work && !has(work, 'cleansing')
      ? {
          says: `${work.step.title} comes after ${read.step.title}, which finishes the skin.`,
          fix: 'The moisturiser and the sun protection go on last.',
        }
      : undefined
  }),
  wrong('L32', (read, at, steps) =>
    findingIf(
      has(read, 'blotting') && later(steps, at).length === 0,
      `${read.step.title}, and nothing comes after it.`,
      'Take it out.',
    ),
  ),
  advice('L33', (read, at, steps) => {
    const sheet = earlier(steps, at).at(-1)
    const isOver =
      has(read, 'led') && !read.step.product && !read.step.floating && sheet && isSheet(sheet)
    return isOver
      ? {
          says: `${read.step.title} waits until ${sheet.step.title} is off; it may shine through it.`,
          fix: 'Let it lie over the sheet.',
        }
      : undefined
  }),
  wrong('L27', (read, at, steps) => {
    const cover = has(read, 'stand-alone')
      ? later(steps, at).find((other) => has(other, 'occlusive'))
      : undefined
    return (
      cover &&
      findingIf(
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
      findingIf(
        true,
        `${read.step.title} is thinner than ${below.step.title}, which lies there already.`,
        'Thin before thick: put it on first.',
      )
    )
  }),
  wrong('L28', ({ step }) => {
    const half = (polarity: Segment['polarity']) =>
      step.segments.reduce((sum, part) => sum + (part.polarity === polarity ? part.usualS : 0), 0)
    return findingIf(
      step.segments.some((part) => part.polarity) && half('negative') !== half('positive'),
      `${step.title}: the two poles do not run equally long.`,
      'Make both halves equal.',
    )
  }),
]
