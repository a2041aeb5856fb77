import { highestUses } from '#core/climb'
import type { RunEvent } from '#core/perform'
import { lightOf, pairRungs, type RungPair } from '#core/record'
import { LEVER_WORDS } from '#core/protocol'
import { plannedAgainstActual, type ActualRow } from '~/ladder/actual'
import type { LongLadderData, Rung } from './drawn'
import type { Went } from './told'

/** Two visits, the earlier one first. */
export type Pair = readonly [Rung, Rung]

export const inOrder = ([one, other]: Pair): Pair =>
  one.startsAt <= other.startsAt ? [one, other] : [other, one]

/** Steps of both ladders as they were done, level where they have the same name. */
export function stepsAgainst(before: Went, after: Went): RungPair<ActualRow>[] {
  const rowsOf = ({ plan, events }: Went) =>
    plan ? plannedAgainstActual(plan, events as readonly RunEvent[]).rows : []
  return pairRungs(rowsOf(before), rowsOf(after))
}

/** "rung 2, then rung 3"; a lever that only one of them used is said so. */
export function leversAgainst([before, after]: Pair): { name: string; words: string }[] {
  const [earlier, later] = [before, after].map(({ levers }) => highestUses(levers ?? []))
  const all = highestUses([...earlier!, ...later!]).map(({ lever }) => lever)
  return all.map((lever) => {
    const [was, is] = [earlier!, later!].map(
      (uses) => uses.find((use) => use.lever === lever)?.rung,
    )
    const said = was === is ? `rung ${was} both times` : `${rungSaid(was)}, then ${rungSaid(is)}`
    return { name: LEVER_WORDS[lever], words: said }
  })
}
const rungSaid = (rung: number | undefined): string =>
  rung === undefined ? 'not used' : `rung ${rung}`

export type LadderPhoto = LongLadderData['photos'][number]
export interface PhotosAgainst {
  readonly view: LadderPhoto['view']
  readonly before: LadderPhoto
  readonly after: LadderPhoto
  /** Colour can be compared. */
  readonly isSameLight: boolean
}

/**
 * Photographs of the same view at both visits: of the beginning where there is one, since the end shows what was just done. Where several fit, two
 * in one light.
 */
export function photosAgainst(
  photos: readonly LadderPhoto[],
  [before, after]: Pair,
): PhotosAgainst[] {
  const of = ({ id }: Rung) => photos.filter(({ visitId }) => visitId === id)
  const views = [...new Set(of(before).map(({ view }) => view))]
  return views.flatMap((view) => {
    const pairs = of(before)
      .filter((one) => one.view === view)
      .flatMap((one) =>
        of(after)
          .filter((other) => other.view === view && other.moment === one.moment)
          .map((other) => ({
            ...{ view, before: one, after: other },
            isSameLight: lightOf(one) === lightOf(other),
          })),
      )
      .sort((a, b) => rankOf(a) - rankOf(b))
    return pairs.slice(0, 1)
  })
}
const rankOf = ({ before, isSameLight }: PhotosAgainst): number =>
  (isSameLight ? 0 : 2) + (before.moment === 'start' ? 0 : 1)
