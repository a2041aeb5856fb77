import type { Layer, RunBody, RunEvent } from '#core/perform'

type Panel = 'sensation' | 'more' | 'time' | 'refuse'

type RefusedBody = Extract<RunBody, { type: 'refused' }>

/** What is opened and said beside the big target: every word closes the sheet it was said in. */
export function useBeside(
  { tap, took }: Pick<ReturnType<typeof useTaps>, 'tap' | 'took'>,
  gate: Pick<ReturnType<typeof useGate>, 'fitAgain'>,
  big: Pick<ReturnType<typeof useBigTarget>, 'leaveOut' | 'takeOff'>,
) {
  const { store, live, titleOf, productOf } = useRunning()
  const { mayHand, take } = useLead()
  const panel = ref<Panel>()
  const emergencyOpen = ref(false)
  const takesLead = ref(false)
  /** The sheet is put away first: what follows may take a while. */
  const closed =
    <Said extends unknown[]>(say: (...said: Said) => unknown) =>
    async (...said: Said): Promise<void> => {
      panel.value = undefined
      await say(...said)
    }
  /** What lies on the skin and how it comes off when it has to at once. */
  const offWords = computed(() => (live.value?.layers ?? []).map(offOf).join('; '))
  const offOf = ({ stepId }: Layer) =>
    `${titleOf(stepId)}: ${productOf(stepId)?.emergencyOff ?? 'rinse'}`
  const emergency = closed(() => {
    emergencyOpen.value = true
    return store.say({ type: 'emergency' })
  })
  // What the server keeps is the newest fit: taken back, the rest is fitted without that end, or with that product.
  const fittedTo = async (said: RunBody, words: string) =>
    took(await saidAndFitted(said, gate.fitAgain), words, gate.fitAgain)
  const endBy = closed((atMs: number) => fittedTo({ type: 'ends', atMs }, 'The end'))
  const refuse = closed((said: RefusedBody) =>
    fittedTo(said, `${productOf(said.stepId)?.name ?? titleOf(said.stepId)} refused`),
  )
  const handOver = closed(async () => {
    const part = mayHand.value
    if (part)
      await tap({ type: 'handed-over', segmentId: part.id }, `${titleOf(part.stepId)} handed over`)
  })
  const lead = async () => {
    takesLead.value = false
    await take()
  }
  return {
    ...{ panel, emergencyOpen, takesLead, offWords, emergency, endBy, refuse, handOver, lead },
    skip: closed((reason: string) => big.leaveOut(reason)),
    pause: closed(() => tap({ type: 'pause' }, 'Pause')),
    keepNote: closed((text: string) => store.say({ type: 'note', text })),
    takeOffFelt: closed((layer: Layer) => big.takeOff(layer)),
  }
}

/** Said, and the rest fitted to it. Gives what takes both back. */
async function saidAndFitted(said: RunBody, fitAgain: () => Promise<void>): Promise<string[]> {
  const store = useRunStore()
  const known = new Set(store.events.map(({ id }) => id))
  await store.say(said)
  await fitAgain()
  const isOurs = ({ id, body }: RunEvent) =>
    !known.has(id) && (body.type === said.type || body.type === 'replanned')
  return store.events.filter(isOurs).map(({ id }) => id)
}
