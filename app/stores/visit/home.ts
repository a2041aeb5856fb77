import type { HomePlan, HomeTold } from '#core/homecare'
import type { VisitCore } from './core'

/** What is told of home care, and the plan that is given for it. */
export function homeChanges({ data, put }: VisitCore) {
  /** What the client uses at home, and whether they kept to their plan. */
  function tellHome(told: HomeTold): Promise<boolean> {
    const { visit, input, home } = data.value!
    data.value!.home = { ...home, told: { visitId: visit.id, on: input.date, told } }
    return put('POST', 'home-told', { id: crypto.randomUUID(), ...told })
  }
  /** Gives the plan as it stands: what was given stays as it was. */
  function giveHome(plan: HomePlan): Promise<boolean> {
    data.value!.home = { ...data.value!.home, given: plan }
    return put('POST', 'home-plan', { id: crypto.randomUUID(), plan })
  }
  return { tellHome, giveHome }
}
