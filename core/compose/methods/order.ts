import type { Step } from '../../protocol/model'
import { segment } from '../../protocol/segments'
import {
  insert,
  fresh,
  exfoliates,
  isAcid,
  shift,
  before,
  after,
  firstOf,
  lampOrCleanse,
  firstMask,
  finish,
  having,
  remove,
  on,
  type Bench,
} from './bench'

export function massagePlace(bench: Bench, where: string): readonly Step[] {
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

export function softening(bench: Bench, how: string): readonly Step[] {
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

export function acidPlace(bench: Bench, where: string): readonly Step[] {
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
  const moved = places[where]!
  const acids = bench.steps.filter(acid)
  if (acids.length > 1) return bench.steps
  if (acids.length === 1) return shift(bench.steps, acids[0], moved)
  const steps = having(bench, acid, where === 'before-extraction' ? 'acid' : 'acid-short', moved)
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

const COLD_MINUTES = 10
/** Steam before an acid: cooled ten minutes in between, and the acid one rung lower (rule D06). Without an acid there is nothing to do. */
export function steamBeforeAcid(bench: Bench, how: string): readonly Step[] {
  const acid = isAcid(bench)
  const isOwn = (step: Step) => step.byMethod === bench.question
  if (how === 'none') return remove(bench, isOwn)
  const first = bench.steps.find(acid)
  if (!first || bench.steps.some((step) => bench.has(step, 'steam'))) return bench.steps
  const steam = fresh(bench, 'steam', undefined, { properties: ['softening', 'steam-cooled'] })
  const at = before(acid)(bench.steps)
  const steamed = insert(bench.steps, at, steam)
  const cold = fresh(on(bench, steamed), 'cold', undefined, {
    title: 'Cool compresses, ten minutes',
    phase: 'soften',
    segments: [segment('cool', 'apply', COLD_MINUTES)],
    zones: [...steam.zones],
    closes: steam.id,
    properties: ['cold'],
  })
  const { deviceId: _none, ...compress } = cold
  return insert(steamed, at + 1, compress).map((step) =>
    step.id === first.id ? milder(step) : step,
  )
}

/** On the rung below the written one; never below the lowest. */
const milder = (step: Step): Step =>
  step.lever?.lever === 'acid'
    ? { ...step, lever: { ...step.lever, rung: Math.max(1, step.lever.rung - 1) } }
    : step
