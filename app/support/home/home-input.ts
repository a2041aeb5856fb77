import type { PastVisit } from '#core/climb'
import { homeInputOf, type HomeInput, type HomePlan, type HomeUse } from '#core/homecare'
import { leftOutOf } from '~/ladder/actual'
import type { VisitData } from '~/stores/visit'
import { nextVisit } from '../close/next-visit'

type Told = Pick<PastVisit, 'answer' | 'leaving'>

/** What a home plan is made from, of the visit that is open. `out`: what somebody took out of it. */
export function homeInputHere(data: VisitData, told: Told, out: readonly string[]): HomeInput {
  const { input, events, openings } = data
  const plan = data.plan?.plan
  const skipped = plan ? leftOutOf(plan, events) : new Set<string>()
  return homeInputOf(
    input,
    { plan, skipped, told },
    {
      ...{ out, uses: homeUses(data), next: nextOf(data, told) },
      rests: openings.filter(({ openedOn }) => openedOn >= input.date).flatMap(({ rest }) => rest),
    },
  )
}

/** The booked next visit, or the usual day of one. */
function nextOf({ next, plan, input }: VisitData, told: Told): HomeInput['next'] {
  if (next) return { on: next.startsAt.slice(0, 10), isBooked: true }
  return plan ? { on: nextVisit(input, plan.plan, told).usual, isBooked: false } : undefined
}

/** What they use: as they told it since the last plan, else what that gave them. Undefined: nobody has asked. */
export function homeUses({ home }: Pick<VisitData, 'home'>): readonly HomeUse[] | undefined {
  const { told, before } = home ?? {}
  if (told && (!before || told.on > before.on)) return told.told.uses
  return before ? usesFrom(before.plan) : undefined
}

/** The lines of a plan as things in use. */
export const usesFrom = ({ lines }: HomePlan): HomeUse[] =>
  lines
    .filter(({ role, state }) => role !== 'neck' && state !== 'kind')
    .map(({ role, productId, name, times, pace, prescribed }) => ({
      ...{ role, name, times, prescribed: prescribed ?? false },
      ...(productId ? { productId } : {}),
      perWeek: pace?.at(-1)?.perWeek ?? 7,
    }))
