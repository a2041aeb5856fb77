import { NO_PREP, type Prep, type Shortage, type standIns } from '#core/adapt'
import type { LaidOut } from '#core/costing'

/** What follows from the stored plan, kept up with every change; while the tray is laid also what may stand in for what is short. `without`: steps that were left out. */
export function useLaidOut({ withStandIns = true, without = () => new Set<string>() }: { withStandIns?: boolean; without?: () => ReadonlySet<string> } = {}) {
  const store = useVisitStore()
  const laid = shallowRef<LaidOut>()
  const found = shallowRef<ReadonlyMap<string, ReturnType<typeof standIns>>>(new Map())
  const plan = computed(() => store.data?.plan?.plan)
  const prep = computed<Prep>(() => store.data?.input.prep ?? NO_PREP)
  let latest = 0

  watch([plan, () => store.data?.input], async () => {
    const { data } = store
    if (!data || !plan.value || plan.value.status !== 'ready') return
    const mine = ++latest
    const gone = without()
    const made = await useFitter().layOut(data.input, gone.size === 0 ? plan.value : { ...plan.value, steps: plan.value.steps.filter((step) => !gone.has(step.id)) }, data.money)
    if (mine !== latest) return
    laid.value = made
    if (!withStandIns) return
    const stand = new Map<string, ReturnType<typeof standIns>>()
    for (const short of made.short) {
      const options = await useFitter().standIns(data.input, short)
      if (mine !== latest) return
      stand.set(short.productId, options)
      found.value = new Map(stand)
    }
  }, { immediate: true })

  const change = (more: Partial<Prep>) => store.prepare({ ...prep.value, ...more })
  function choose(choice: ReturnType<typeof standIns>['options'][number]['choice']) {
    return choice.kind === 'step'
      ? change({ standIns: { ...prep.value.standIns, [choice.stepId]: choice.pick } })
      : change({ partStandIns: { ...prep.value.partStandIns, [choice.mixId]: { ...prep.value.partStandIns[choice.mixId], [choice.partId]: choice.byId } } })
  }
  /** Takes a choice back: what is short is short again. */
  function takeBack(short: Shortage) {
    const { [short.stepId]: _step, ...steps } = prep.value.standIns
    const mixes = Object.fromEntries(Object.entries(prep.value.partStandIns).map(([mixId, parts]) => { const { [short.productId]: _part, ...rest } = parts; return [mixId, rest] }))
    return change({ standIns: steps, partStandIns: mixes })
  }
  /** What stands in for something short now, by name, when somebody chose it. */
  function chosenFor(short: Shortage): string | undefined {
    const id = short.mixId ? prep.value.partStandIns[short.mixId]?.[short.productId] : prep.value.standIns[short.stepId]?.productId
    return id && (store.data?.input.shelf.products.find((product) => product.id === id)?.name ?? id)
  }
  return { laid, found, plan, prep, change, choose, takeBack, chosenFor }
}
