import type { CompileInput, FittedPlan } from '#core/adapt'
import { client, readingOf, seen, yes } from './situations'

/** Nothing of the ladder is over yet. */
export const EVERYTHING_AHEAD = ({ steps }: FittedPlan): ReadonlySet<string> =>
  new Set(steps.map(({ id }) => id))

/** People of whom much is known at once: what is pinned for them must still be read at a glance. */
export const PEOPLE_WITH_MUCH: readonly Partial<CompileInput>[] = [
  {
    client: client([
      yes('implant-electronic'),
      yes('isotretinoin'),
      yes('epilepsy'),
      yes('anticoagulant'),
      yes('lupus'),
      yes('keloid'),
      { ...yes('allergy:pineapple'), reaction: 'breathing' },
      { ...yes('allergy:salicylates'), reaction: 'rash' },
      { ...yes('wound'), zones: ['chin'] },
    ]),
    reading: readingOf(
      seen('flushing', 3, ['cheek-left', 'cheek-right']),
      seen('inflamed', 2, ['forehead']),
      seen('barrier', 2, ['jaw-left']),
    ),
  },
  {
    client: client([yes('pregnant'), yes('thyroid'), yes('numb'), yes('melasma'), yes('filler')]),
    reading: readingOf(
      seen('patchy-pigment', 2, ['cheek-left']),
      seen('sensitive', 2, ['neck-front']),
    ),
  },
]
