import type { Step } from '../protocol/model'
import type { Constraint, Requirement } from '../safety/rule'
import type { Subject } from '../strength'
import { touches } from '../safety/touches'

/** A requirement in words, and what it means for the visit. */
interface Care {
  /** Short line at the step; left out when the ladder itself shows it. */
  readonly line?: string
  /** Laid out on the tray. */
  readonly tray?: string
  /** Said once for the visit, not at every step. */
  readonly once?: true
}

const CARE: Readonly<Record<Requirement, Care>> = {
  'cool-removal': { line: 'off cool or room-warm' },
  'lukewarm-removal': { line: 'off lukewarm, never warm' },
  'tone-after': { line: 'tone after it' },
  'calm-after': {},
  'neutralise-after': { line: 'neutralise to the end of the foam' },
  'skin-dry': { line: 'on dry skin' },
  'skin-damp': { line: 'on damp skin' },
  'rather-damp': { line: 'rather on slightly damp skin' },
  'sun-filter': {},
  'working-time': { line: 'it sets: mix when your hands are free' },
  'along-growth': { line: 'along the growth, rinse and comb through' },
  'spot-care': { line: 'leave deep lesions alone, spot care' },
  'surface-only': { line: 'surface only' },
  'eyes-covered': { line: 'eyes covered', tray: 'eye pads' },
  'hand-signal': { line: 'agree a hand signal', once: true },
  'guardian-stays': { line: 'the guardian stays in the room', once: true },
  'propped-up': { line: 'propped up, not flat', once: true },
  'patch-test': { line: 'delayed patch test first' },
  tweezers: { line: 'release hairs with sterile tweezers', tray: 'sterile tweezers' },
  'lenses-out': { line: 'contact lenses out', tray: 'case for lenses' },
  'metal-out': { line: 'jewellery and hearing aids out' },
  'mouth-free': { line: 'mouth and nose stay free', once: true },
  'nostrils-free': { line: 'nostrils stay free' },
  'conductive-gel': { line: 'gel under the whole contact', tray: 'conductive gel' },
  'no-oil': { line: 'no oil film under it' },
  'keep-moving': { line: 'always moving, three seconds at most on one place' },
  polarity: { line: 'the pole of the product, both halves equal' },
  'eye-shields': { line: 'eyes shielded', tray: 'eye shields' },
  uncovered: { line: 'nothing over it' },
  'rest-first': { line: 'let the mix rest, covered' },
  'towel-heat': { line: 'towels 40 °C at the wrist, never above 43 °C', once: true },
  'tone-before-heat': { line: 'toned before it' },
  'depth-and-lot': {
    line: 'depth in mm and cartridge lot on the record',
    tray: 'sterile cartridge, note its lot',
  },
  'hydrate-before': { line: 'hydrated first' },
  'eye-gel-before': { line: 'eye gel first' },
  'water-finish': { line: 'water-based finish' },
  'light-throat': { line: 'light over the throat', once: true },
  'hands-first': { line: 'hands washed', once: true },
  'hands-after': {},
  gloves: { line: 'gloves, new ones after', tray: 'gloves, two pairs' },
  'nitrile-gloves': { line: 'nitrile gloves, no latex', tray: 'nitrile gloves', once: true },
  'lancet-scope': {
    line: 'once, then the sharps container',
    tray: 'sterile lancet, sharps container',
  },
  'single-use': { line: 'single use, then discarded' },
  'clean-device': { line: 'device wiped for its contact time' },
  linen: { line: 'fresh linen', once: true },
  'scent-free': { line: 'without scent' },
  'watch-mouth': { line: 'watch the mouth: cold sores' },
  'restroom-first': { line: 'the restroom first: it lies for half an hour or more' },
  'try-steam-away': { line: 'started and tried away from the face' },
  'shade-eyes': { line: 'shade the eyes when it lifts' },
  'headband-back': { line: 'headband pushed back, hairline free' },
  'read-temperature': { line: 'read the surface temperature' },
  'bleaches-linen': { line: 'it bleaches linen and hair: white towels', tray: 'white towels' },
  'look-while-asleep': { line: 'client asleep: look for pink or white instead of asking' },
}

/** A requirement in a few words, for the rule book. */
export const requirementWords = (require: Requirement): string =>
  CARE[require].line ?? require.replaceAll('-', ' ')

/** Requirements about everything that are worth saying again at each step. */
const REPEATS: ReadonlySet<Requirement> = new Set([
  'along-growth',
  'cool-removal',
  'lukewarm-removal',
])
const TEMPERATURE: ReadonlySet<Requirement> = new Set(['cool-removal', 'lukewarm-removal'])

const isCare = (constraint: Constraint): boolean =>
  constraint.effect === 'require' || constraint.effect === 'caution'
function lineOf({ require, unasked, because, instead }: Constraint): string | undefined {
  if (require) return CARE[require].line
  return unasked ? `not asked: ${because}` : instead
}

/** Cautions merged to one line per step, so that they are read: what to mind, nothing twice, hygiene of the house last. */
export function cautionsFor(
  steps: readonly Step[],
  inForce: readonly Constraint[],
  read: (step: Step) => Subject,
): { stepId: string; line: string }[] {
  const cares = caresInOrder(inForce)
  return steps.flatMap((step, at) => {
    const subject = read(step)
    const here = cares.filter((care) => touches(care, subject) && (at === 0 || !isSaidOnce(care)))
    const spoken = here.filter((care) => !isTemperature(care) || hasTemperature(step))
    const lines = distinctLines(spoken)
    return lines.length > 0 ? [{ stepId: step.id, line: lines.join(' · ') }] : []
  })
}

const isTemperature = ({ require }: Constraint): boolean =>
  require !== undefined && TEMPERATURE.has(require)

/** Something is taken off at a stated temperature. */
const hasTemperature = (step: Step): boolean =>
  step.segments.some((part) => part.kind === 'remove' && part.temperature)

function caresInOrder(inForce: readonly Constraint[]): Constraint[] {
  const isCooler = inForce.some(
    (care) => isTemperature(care) && care.target.everything && care.zones === undefined,
  )
  const ofTheHouse = ({ ruleId }: Constraint) => Number(ruleId.startsWith('H'))
  return (
    inForce
      .filter(isCare)
      // Where every towel stays lukewarm, nothing is said of warm ones.
      .filter((care) => !(isCooler && care.require === 'towel-heat'))
      .sort((a, b) => ofTheHouse(a) - ofTheHouse(b))
  )
}

/** Said at the first step only. */
function isSaidOnce({ require, target }: Constraint): boolean {
  if (require === undefined) return target.everything ?? false
  return CARE[require].once ?? (target.everything === true && !REPEATS.has(require))
}

/** Each line once; what comes off cool need not be said to come off lukewarm. */
function distinctLines(cares: readonly Constraint[]): string[] {
  const isCool = cares.some((care) => care.require === 'cool-removal')
  const spoken = cares.filter((care) => !(isCool && care.require === 'lukewarm-removal'))
  return [...new Set(spoken.flatMap((care) => lineOf(care) ?? []))]
}

/** What the rules lay on the tray besides what the steps name: thing and step, each thing once per step. */
export function careItems(
  steps: readonly Step[],
  inForce: readonly Constraint[],
  read: (step: Step) => Subject,
): { stepId: string; name: string }[] {
  return steps.flatMap((step, at) => {
    const subject = read(step)
    const names = inForce
      .filter((c) => c.effect === 'require' && c.require && touches(c, subject))
      .flatMap((c) => {
        const care = CARE[c.require!]
        return care.tray && (at === 0 || !care.once) ? [care.tray] : []
      })
    return [...new Set(names)]
      .filter((name) => !step.tray?.includes(name))
      .map((name) => ({ stepId: step.id, name }))
  })
}
