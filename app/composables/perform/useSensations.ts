import {
  answerSensation,
  knownOf,
  touchesAt,
  type Answer,
  type RunBody,
  type Touch,
} from '#core/perform'
import type { Sensation } from '#core/catalog'

/** What the client feels, of what, and what follows; what was told stays correctable until the sheet closes. */
export function useSensations(fitAgain: () => Promise<void>) {
  const { store } = useRunning()
  const chosen = ref<string>()
  const sensation = ref<Sensation>()
  const strong = ref(false)
  const saidMs = ref(0)
  const { touches, hold, letGo } = useTouches()
  const { say, settled } = useSaidInPlace()

  const touch = computed(
    () => touches.value.find((one) => keyOf(one) === chosen.value) ?? touches.value[0],
  )
  const answer = computed(() => {
    if (!sensation.value || !touch.value) return undefined
    const known = knownOf(touch.value, store.run!.input.shelf)
    const sinceS = (saidMs.value - touch.value.sinceMs) / 1000
    const told = { sensation: sensation.value, touch: touch.value, strong: strong.value }
    return answerSensation({ ...told, known, sinceS })
  })

  function open() {
    chosen.value = sensation.value = undefined
    strong.value = false
    letGo()
    void say(undefined)
  }
  const sayIt = () => say(saidOf(touch.value!, sensation.value!, answer.value!, strong.value))
  function felt(what: Sensation) {
    hold()
    saidMs.value = store.nowMs
    sensation.value = what
    return sayIt()
  }
  function choose(other: Touch) {
    chosen.value = keyOf(other)
    return sensation.value ? sayIt() : undefined
  }
  function toggleStrong() {
    strong.value = !strong.value
    return sayIt()
  }
  /** The sheet closes: what was beyond what is expected fits the rest again. */
  async function closed() {
    await settled()
    if (answer.value?.beyond && touch.value?.kind !== 'position') await fitAgain()
  }
  return { touches, touch, sensation, strong, answer, open, felt, choose, toggleStrong, closed }
}

/** What touches the client, as it was when something was said: the list does not change under a finger. */
function useTouches() {
  const { store, plan, live, now } = useRunning()
  const held = ref<readonly Touch[]>()
  const touches = computed<readonly Touch[]>(() => {
    if (held.value) return held.value
    if (!plan.value || !live.value || !store.run) return []
    return touchesAt(plan.value, live.value, store.run.input.shelf, now.value)
  })
  const hold = () => {
    held.value ??= touches.value
  }
  const letGo = () => {
    held.value = undefined
  }
  return { touches, hold, letGo }
}

/** Says one thing at a time; the next takes the place of the one before it until it is let go. */
function useSaidInPlace() {
  const { store } = useRunning()
  let saying = Promise.resolve()
  let eventId: string | undefined
  const say = (body: RunBody | undefined) => {
    saying = saying.then(async () => {
      const before = body && eventId
      eventId = body && (await store.say(body)).id
      if (before) await store.say({ type: 'retract', eventId: before })
    })
    return saying
  }
  return { say, settled: () => saying }
}

const saidOf = (
  { stepId, kind, thingId }: Touch,
  sensation: Sensation,
  { beyond }: Answer,
  strong: boolean,
): RunBody => ({
  type: 'sensation',
  ...{ stepId, sensation, of: kind },
  ...(thingId === undefined ? {} : { thingId }),
  ...(beyond ? { beyond: true } : {}),
  ...(strong ? { strong: true } : {}),
})

/** One touch among the others. */
export const keyOf = ({ kind, stepId, name }: Touch) => `${kind}|${stepId}|${name}`
