import type { Step } from '../protocol/model'
import type { Constraint, Requirement } from '../safety/rule'
import { touches, type Subject } from '../safety/subject'

/** A requirement as a short line at the step. */
const CARE: Readonly<Record<Requirement, string>> = {
  'cool-removal': 'off cool', 'lukewarm-removal': 'off lukewarm, never warm', 'tone-after': 'tone after it', 'neutralise-after': 'neutralise to the end of the foam',
  'skin-dry': 'on dry skin', 'skin-damp': 'on damp skin', 'sun-filter': '', 'working-time': 'it sets: mix when your hands are free',
  'along-growth': 'along the growth, rinse and comb through', 'spot-care': 'leave deep lesions alone, spot care', 'surface-only': 'surface only',
  'eyes-covered': 'eyes covered', 'hand-signal': 'agree a hand signal', 'propped-up': 'propped up, not flat', 'patch-test': 'delayed patch test first',
  tweezers: 'release hairs with sterile tweezers',
}

/** Cautions merged to one line per step, so that they are read: what to mind, and nothing twice. */
export function cautionsFor(steps: readonly Step[], inForce: readonly Constraint[], read: (step: Step) => Subject): { stepId: string; line: string }[] {
  return steps.flatMap((step, at) => {
    const subject = read(step)
    const here = inForce.filter((c) => (c.effect === 'require' || c.effect === 'caution') && touches(c, subject) && (at === 0 || !c.target.everything || c.require === undefined || REPEATS.has(c.require)))
    const parts = here.map((c) => (c.require ? CARE[c.require] : c.unasked ? `not asked: ${c.because}` : c.instead)).filter(Boolean)
    const relevant = [...new Set(parts)].filter((part) => part !== CARE['lukewarm-removal'] || step.segments.some((s) => s.kind === 'remove' && s.temperature))
    return relevant.length > 0 ? [{ stepId: step.id, line: relevant.join(' · ') }] : []
  })
}

/** Requirements about everything that are worth saying again at each step. */
const REPEATS: ReadonlySet<Requirement> = new Set(['along-growth', 'cool-removal', 'lukewarm-removal'])

const STOPPING = new Set(['stop', 'refer', 'clearance', 'omit-zone', 'postpone'])

/** Today's stops in a few words each: known ones only, rules that always hold left out. */
export function stopsInWords(inForce: readonly Constraint[]): string[] {
  const known = inForce.filter((c) => STOPPING.has(c.effect) && !c.unasked && !c.soft && c.because !== 'always')
  return [...new Set(known.map((c) => c.title.replace(/^Allergy: (.*?)(, .*)?$/, 'No $1').replace(/^No ([A-Z])/, (_, letter: string) => `No ${letter.toLowerCase()}`)))]
}
