import { skippable, type Layer, type RunBody } from '#core/perform'
import type { Step } from '#core/protocol'
import { primaryOf } from '~/ladder/perform-words'
import { never } from '~/support/never'

/** What the one large target does now, and what else can be done to the step at hand. */
export function useBigTarget(
  { tap }: Pick<ReturnType<typeof useTaps>, 'tap'>,
  { readSkin, checked }: Pick<ReturnType<typeof useGate>, 'readSkin' | 'checked'>,
) {
  const { store, plan, live, startedMs, finished, titleOf } = useRunning()
  const primary = usePrimary()
  const skipId = computed(() =>
    live.value && startedMs.value !== undefined ? skippable(live.value) : undefined,
  )

  async function act() {
    const target = primary.value
    if (!target || finished.value) return
    switch (target.kind) {
      case 'start':
        return tap({ type: 'start' }, 'Started')
      case 'done':
        return tap({ type: 'finished', segmentId: target.segmentId }, target.words)
      case 'area':
        return tap({ type: 'area', segmentId: target.segmentId }, target.words)
      case 'begin':
      case 'off':
        return tap({ type: 'started', segmentId: target.segmentId }, target.words)
      case 'gate':
        return target.gate === 'lamp' ? readSkin() : checked('calm')
      case 'finish':
        await store.say({ type: 'finish' })
        return navigateTo(`/visits/${store.run!.visitId}/close`)
      // Held, not tapped: see `usePedal`.
      case 'early':
        return
      default:
        return never(target)
    }
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
  return { primary, skipId, act, takeOff, leaveOut }
}

function usePrimary() {
  const { plan, live, now, startedMs } = useRunning()
  const { next } = useExtraction()
  return computed(() => {
    if (!plan.value || !live.value) return undefined
    const isStarted = startedMs.value !== undefined
    return primaryOf(plan.value, live.value, isStarted, now.value, next.value?.words)
  })
}

/** A step goes with what closes it: no clearing fluid after an extraction that was left out. */
const withClosures = (steps: readonly Step[], id: string | undefined): Step[] =>
  steps.filter((step) => step.id === id || (step.closes === id && step.gate === undefined))
