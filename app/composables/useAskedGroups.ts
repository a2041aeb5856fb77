import { createSharedComposable } from '@vueuse/core'
import { questionsNeeded, type Needed } from '#core/adapt'
import { factsOn } from '#core/client'
import { askedGroups } from '~/support/consult/consult'

const NOTHING: Needed = { codes: new Set(), families: new Set() }

/**
 * The groups of questions of the open visit, with what its card needs. What the card needs is worked out once per card: not at every answer, nor
 * by every part of a page that asks.
 */
export const useAskedGroups = createSharedComposable(() => {
  const store = useVisitStore()
  const needed = shallowRef<Needed>(NOTHING)
  watch(
    () => [store.data?.visit.id, store.data?.input.protocol.id, store.data?.input.date].join(),
    () => {
      if (store.data) needed.value = questionsNeeded(store.data.input)
    },
    { immediate: true },
  )
  const facts = computed(() =>
    factsOn(store.data?.input.client.facts ?? [], store.data?.input.date ?? ''),
  )
  const groups = computed(() =>
    store.data ? askedGroups(facts.value, store.data.input.date, needed.value) : [],
  )
  return { needed, facts, groups }
})
