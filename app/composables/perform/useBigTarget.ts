import { skippable, whereabouts, type Layer, type RunBody, type Whereabouts } from '#core/perform'
import type { Step } from '#core/protocol'
import { primaryOf, type Primary } from '~/ladder/perform-words'
import { never } from '~/support/never'

/** What the one large target does now, and what else can be done to the step at hand. */
export function useBigTarget(
  { tap }: Pick<ReturnType<typeof useTaps>, 'tap'>,
  { readSkin, checked }: Pick<ReturnType<typeof useGate>, 'readSkin' | 'checked'>,
) {
  const { store, plan, live, startedMs, finished, titleOf } = useRunning()
  const primary = usePrimary()
  const rooms = useRooms()
  /** The step whose cartridge is asked for. */
  const lotOf = ref<string>()
  const skipId = computed(() =>
    live.value && startedMs.value !== undefined ? skippable(live.value) : undefined,
  )

  /** Whoever is at another client leaves that one first. */
  const comesFirst = ({ kind }: Primary): boolean =>
    kind === 'come' || (kind === 'start' && rooms.isElsewhere.value)

  async function act() {
    const target = primary.value
    if (!target || finished.value) return
    if (comesFirst(target)) return rooms.ask(rooms.here.value!)
    const body = saidBy(target)
    if (body) return tap(body, target.kind === 'start' ? 'Started' : target.words)
    if (target.kind === 'gate') return target.gate === 'lamp' ? readSkin() : checked('calm')
    if (target.kind === 'lot') {
      lotOf.value = target.stepId
      return
    }
    if (target.kind !== 'finish') return
    await store.say({ type: 'finish' })
    return navigateTo(`/visits/${store.run!.visitId}/close`)
  }
  /** What the skin is opened with is said, and it begins. */
  async function opened(said: readonly RunBody[]) {
    const target = primary.value
    lotOf.value = undefined
    if (target?.kind !== 'lot') return
    await tap([...said, { type: 'started', segmentId: target.segmentId }], target.words)
  }
  async function takeOff({ removalId, stepId }: Layer) {
    if (removalId)
      await tap({ type: 'started', segmentId: removalId }, `${titleOf(stepId)} off early`)
  }
  async function leaveOut(reason: string) {
    const steps = withClosures(plan.value!.steps, skipId.value)
    const skips = steps.map((step): RunBody => ({ type: 'skipped', stepId: step.id, reason }))
    await tap(skips, `${titleOf(skipId.value ?? '')} left out`)
  }
  return { primary, skipId, lotOf, act, opened, takeOff, leaveOut }
}

/** What a tap on the target says; undefined where it does something else. What comes off early is held, not tapped: see `usePedal`. */
function saidBy(target: Primary): RunBody | undefined {
  switch (target.kind) {
    case 'start':
    case 'resume':
      return { type: target.kind }
    case 'area':
      return { type: 'area', segmentId: target.segmentId }
    case 'done':
      return { type: 'finished', segmentId: target.segmentId }
    case 'begin':
    case 'off':
      return { type: 'started', segmentId: target.segmentId }
    case 'gate':
    case 'lot':
    case 'early':
    case 'come':
    case 'finish':
      return undefined
    default:
      return never(target)
  }
}

const RESUME: Primary = { kind: 'resume', words: 'Go on' }
/** With another client, or back and not clean yet: nothing else comes before. */
const NOT_HERE: Readonly<Record<Exclude<Whereabouts, 'here'>, Primary>> = {
  away: { kind: 'come', words: 'Back to this client' },
  washing: { kind: 'resume', words: 'Hands washed, gloves new: go on' },
}
function usePrimary() {
  const { store, plan, live, now, startedMs, paused } = useRunning()
  const { next } = useExtraction()
  return computed(() => {
    if (!plan.value || !live.value) return undefined
    const where = whereabouts(store.state?.absences ?? [])
    if (where !== 'here') return NOT_HERE[where]
    const isStarted = startedMs.value !== undefined
    const target = primaryOf(plan.value, live.value, isStarted, now.value, next.value?.words)
    // What is due comes off also while hands rest.
    return paused.value && target.kind !== 'off' ? RESUME : target
  })
}

/** A step goes with what closes it: no clearing fluid after an extraction that was left out. */
const withClosures = (steps: readonly Step[], id: string | undefined): Step[] =>
  steps.filter((step) => step.id === id || (step.closes === id && step.gate === undefined))
