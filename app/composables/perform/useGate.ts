import { readingUnderway } from '#core/perform'
import { Reading } from '#core/skin/model'
import { dropDraft, keepDraft, keptDraft } from '~/support/held'
import { plain } from '~/support/plain'

/** The gates of a running visit: the lamp reading and quick checks, and the fit that follows an answer. */
export function useGate(visitId: () => string) {
  const { store, plan, hands, stepOf } = useRunning()
  const reading = ref<Reading>()
  const fitTrouble = ref('')
  const openGate = computed(() => (hands.value?.segment.gate ? hands.value.segment : undefined))
  /** What is painted and not yet kept outlives a reload. */
  const draft = () => `reading-${visitId()}`

  /** The lamp reading, in the middle of the visit: what is read fits the rest again from now. */
  async function readSkin() {
    fitTrouble.value = store.mayNotFit() ?? ''
    if (fitTrouble.value) return
    const known = readingUnderway(store.run!.input, store.state!)
    reading.value = (await keptDraft(draft(), Reading)) ?? plain(known)
  }
  function painted(next: Reading) {
    reading.value = next
    void keepDraft(draft(), next)
  }
  async function fitAgain() {
    fitTrouble.value = (await store.fitAgain()) ?? ''
  }
  async function keepReading() {
    const done = { ...reading.value!, done: true }
    const gate = openGate.value?.gate === 'lamp' ? openGate.value : undefined
    reading.value = undefined
    await dropDraft(draft())
    await store.say({ type: 'read', stepId: gate?.stepId ?? 'reading', reading: done })
    if (gate) await store.say({ type: 'finished', segmentId: gate.id })
    await fitAgain()
  }
  async function checked(answer: 'calm' | 'stings') {
    const { id: segmentId, stepId } = openGate.value!
    const tried = plan.value!.steps.find((step) => step.id === stepOf(stepId)?.checks)
    const productId = tried?.product?.productId
    await store.say({ type: 'checked', stepId, answer, ...(productId ? { productId } : {}) })
    await store.say({ type: 'finished', segmentId })
    await fitAgain()
  }
  const painting = { reading, readSkin, painted, keepReading }
  return { ...painting, fitTrouble, openGate, checked, fitAgain }
}
