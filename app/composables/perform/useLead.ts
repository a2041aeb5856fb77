import { isFollowing, mayDrive } from '#core/perform'
import { clockTime } from '~/support/time'

/** Which tablet drives this run: the one that began, or that took it; the others follow, and may do what was handed over. */
export function useLead() {
  const { store, live, titleOf, timeZone } = useRunning()
  const session = useSessionStore()
  const state = computed(() => store.state)
  const follows = computed(() => (state.value ? isFollowing(state.value, store.deviceId) : false))
  const leadWords = computed(() => {
    const lead = state.value?.lead
    if (!lead || !follows.value) return ''
    const who = lead.by ? `${lead.by} leads` : 'Another tablet leads'
    return `${who} since ${clockTime(lead.atMs, timeZone.value)}. This one follows.`
  })
  const may = (segmentId: string | undefined) =>
    state.value === undefined || mayDrive(state.value, store.deviceId, segmentId)
  /** The parts that are somebody else's and still to be done, in words. */
  const handedWords = computed(() =>
    (live.value?.segments ?? [])
      .filter(
        ({ segment, status }) =>
          state.value?.handedOver.has(segment.id) && (status === 'ahead' || status === 'now'),
      )
      .map(({ segment }) => titleOf(segment.stepId)),
  )
  /** What can be handed over now: what hands are at, else what comes next. */
  const mayHand = computed(() => {
    const part = (live.value?.hands ?? live.value?.next)?.segment
    return part && !state.value?.handedOver.has(part.id) && !follows.value ? part : undefined
  })
  const take = () => store.say({ type: 'lead', ...byOf(session.account?.name) })
  return { follows, leadWords, handedWords, mayHand, may, take }
}

const byOf = (by: string | undefined) => (by ? { by } : {})
