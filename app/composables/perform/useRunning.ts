import type { CompileInput, FittedPlan, PlacedSegment } from '#core/adapt'
import { expectationOf, fetchAt, guideOf, isPaused, type Guided, type Layer } from '#core/perform'
import { plannedOf } from '~/ladder/perform-words'
import { feltOf } from '~/support/perform/running'

/** The visit that runs, as its screens read it: the ladder in force, where it stands, and names for what is on it. */
export function useRunning() {
  const store = useRunStore()
  const plan = computed(() => store.plan)
  const live = computed(() => store.live)
  const now = computed(() => store.nowMs)
  const startedMs = computed(() => store.state?.startedMs)
  const finished = computed(() => store.state?.finishedMs !== undefined)
  const hands = computed(() => live.value?.hands)
  const paused = computed(() => isPaused(store.state?.pauses ?? []))
  const first = computed(() => live.value?.layers[0])
  const timeZone = computed(() => store.run?.head.timeZone ?? 'UTC')

  const stepOf = (stepId: string) => plan.value?.steps.find((step) => step.id === stepId)
  const titleOf = (stepId: string) => stepOf(stepId)?.title ?? ''
  function productOf(stepId: string) {
    const productId = stepOf(stepId)?.product?.productId
    return store.run?.input.shelf.products.find((product) => product.id === productId)
  }
  function deviceOf(stepId: string) {
    const deviceId = stepOf(stepId)?.deviceId
    return store.run?.input.shelf.devices.find((device) => device.id === deviceId)
  }
  /** The sign by which a layer comes off. */
  const signOf = (layer: Layer) =>
    plan.value && plannedOf(plan.value, layer.segmentId)?.segment.end?.sign
  /** What a layer is expected to feel like, and its sign. */
  function expectOf(layer: Layer) {
    const sign = signOf(layer)
    const expected = expectationOf(productOf(layer.stepId) ?? deviceOf(layer.stepId))
    return [expected, sign && `ready when ${sign}`].filter(Boolean).join(' · ')
  }
  /** What was felt of the same product or device at the visit before. */
  const feltBefore = (stepId: string) => feltOf(stepOf(stepId), store.run?.lastFelt ?? [])
  /** What the rules have one mind at a step. */
  const cautionOf = (stepId: string) =>
    plan.value?.cautions.find((one) => one.stepId === stepId)?.line
  const guided = computed(() => store.run && plan.value && guidedBy(store.run.input, plan.value))
  /** A towel that has to come out of the cabinet now, so that it is ready in time. */
  const fetching = computed(
    () => guided.value && live.value && fetchAt(guided.value, live.value, now.value),
  )
  const guideAt = (segment: PlacedSegment) => guided.value && guideOf(guided.value, segment)
  return {
    ...{ store, plan, live, now, startedMs, finished, hands, first, paused, timeZone },
    ...{ stepOf, titleOf, productOf, expectOf, signOf, cautionOf, feltBefore },
    ...{ guideAt, fetching },
  }
}

/** What the words beside the clock are read from: the ladder in force and what it was fitted from. */
function guidedBy({ prep, protocol, shelf }: CompileInput, plan: FittedPlan): Guided {
  const guided = { plan, written: protocol.steps, shelf }
  return { ...guided, ...(prep ? { size: prep.size, waterC: prep.waterC } : {}) }
}
