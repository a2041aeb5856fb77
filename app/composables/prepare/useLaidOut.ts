import {
  type Choice,
  type Prep,
  type Shortage,
  type standIns,
  chosenFor,
  hasLadder,
  NO_PREP,
  withChoice,
  withoutChoice,
} from '#core/adapt'
import type { LaidOut } from '#core/costing'

/** What follows from the stored plan, kept up with every change; while the tray is laid also what may stand in for what is short. `without`: steps that were left out. */
export function useLaidOut({
  withStandIns = true,
  without = () => new Set<string>(),
}: { withStandIns?: boolean; without?: () => ReadonlySet<string> } = {}) {
  const store = useVisitStore()
  const laid = shallowRef<LaidOut>()
  const found = shallowRef<ReadonlyMap<string, ReturnType<typeof standIns>>>(new Map())
  const plan = computed(() => store.data?.plan?.plan)
  const prep = computed<Prep>(() => store.data?.input.prep ?? NO_PREP)
  let latest = 0

  watch(
    [plan, () => store.data?.input],
    async () => {
      const { data } = store
      if (!data || !plan.value || !hasLadder(plan.value)) return
      const mine = ++latest
      const gone = without()
      const laidOut = await useFitter().layOut(
        data.input,
        gone.size === 0
          ? plan.value
          : { ...plan.value, steps: plan.value.steps.filter((step) => !gone.has(step.id)) },
        data.money,
      )
      if (mine !== latest) return
      laid.value = laidOut
      if (!withStandIns) return
      const stand = new Map<string, ReturnType<typeof standIns>>()
      for (const short of laidOut.short) {
        const options = await useFitter().standIns(data.input, short)
        if (mine !== latest) return
        stand.set(short.productId, options)
        found.value = new Map(stand)
      }
    },
    { immediate: true },
  )

  const change = (more: Partial<Prep>) => store.prepare({ ...prep.value, ...more })
  const choose = (choice: Choice) => store.prepare(withChoice(prep.value, choice))
  /** Takes a choice back: what is short is short again. */
  const takeBack = (short: Shortage) => store.prepare(withoutChoice(prep.value, short))
  /** What stands in for something short now, by name, when somebody chose it. */
  function chosenName(short: Shortage): string | undefined {
    const id = chosenFor(prep.value, short)
    return id && (store.data?.input.shelf.products.find((product) => product.id === id)?.name ?? id)
  }
  return { laid, found, plan, prep, change, choose, takeBack, chosenName }
}
