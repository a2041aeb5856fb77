import { homePlan, type HomePlan } from '#core/homecare'
import { homeInputHere } from '~/support/home/home-input'

/** The plan for home of the visit that is open, made again with everything that is told; what somebody took out of it stays out. */
export function useHomePlan() {
  const store = useVisitStore()
  const out = ref<readonly string[]>([])
  const told = computed(() => {
    const outcome = store.data?.outcome
    const { leaving, answer = null } = outcome ?? {}
    return { answer, ...(leaving ? { leaving } : {}) }
  })
  const plan = computed<HomePlan | undefined>(() =>
    store.data ? homePlan(homeInputHere(store.data, told.value, out.value)) : undefined,
  )
  const takeOut = (id: string) => {
    out.value = [...out.value, id]
  }
  const putBack = (id: string) => {
    out.value = out.value.filter((one) => one !== id)
  }
  return { plan, out, takeOut, putBack }
}
