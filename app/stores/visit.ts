import { defineStore } from 'pinia'
import { closing, remembering } from './visit/close'
import { consultChanges } from './visit/consult'
import { visitCore } from './visit/core'
import { homeChanges } from './visit/home'
import { fitChanges, prepareChanges, readingChanges } from './visit/fit'

export type * from './visit-data'

/** One visit and what today's ladder becomes with everything answered so far. Every change is saved as it is made. */
export const useVisitStore = defineStore('visit', () => {
  const core = visitCore()
  const { data, preview, heldMs, trouble, saving, locked, load, refit } = core
  return {
    ...{ data, preview, heldMs, trouble, saving, locked, load, refit },
    ...consultChanges(core),
    ...readingChanges(core),
    ...fitChanges(core),
    ...prepareChanges(core),
    ...closing(core),
    ...homeChanges(core),
    ...remembering(core),
  }
})
