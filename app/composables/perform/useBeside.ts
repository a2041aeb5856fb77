import type { Layer } from '#core/perform'

type Panel = 'sensation' | 'more' | 'time' | 'refuse' | 'order'

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
  const refits = useRefits({ took, fitAgain: gate.fitAgain })
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
    ...{ panel, emergencyOpen, takesLead, offWords, emergency, handOver, lead },
    endBy: closed(refits.endBy),
    refuse: closed(refits.refuse),
    callNow: closed(refits.call),
    skip: closed((reason: string) => big.leaveOut(reason)),
    pause: closed(() => tap({ type: 'pause' }, 'Pause')),
    keepNote: closed((text: string) => store.say({ type: 'note', text })),
    takeOffFelt: closed((layer: Layer) => big.takeOff(layer)),
  }
}
