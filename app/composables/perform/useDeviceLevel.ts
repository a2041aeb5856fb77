import type { LevelUse } from '#core/climb'
import { lastAt, placesOf, setNow, tapped, type RunBody } from '#core/perform'

/** What the device of a step is set to now, place by place, and how it is entered: she sets it on the device and taps once. */
export function useDeviceLevel(stepId: () => string) {
  const { store, stepOf } = useRunning()
  const step = computed(() => stepOf(stepId()))
  const level = computed(() => step.value?.deviceLevel)
  const places = computed(() => (step.value ? placesOf(step.value) : []))
  /** By its words; none: everywhere. */
  const place = ref('')
  const at = computed(() => places.value.find(({ words }) => words === place.value))
  const sets = computed(() => (store.state?.levels ?? []).filter((one) => one.stepId === stepId()))
  const lastSet = computed(() => sets.value.at(-1))
  const value = computed(() => level.value && setNow(level.value, sets.value, at.value))

  /** What it was set to last time here, else everywhere. */
  const last = computed(() => level.value && lastAt(level.value, at.value))

  /** With the reason that is likelier; the reason can be put right. */
  function tap(way: Parameters<typeof tapped>[2]): Promise<unknown> {
    const why = way === 'lower' ? 'too strong' : 'not felt'
    return store.say(setTo(tapped(level.value!, value.value!, way), why))
  }
  const setTo = (to: number, why: LevelUse['why']): RunBody => ({
    ...{ type: 'set', stepId: stepId(), deviceId: step.value!.deviceId! },
    ...{ setting: level.value!.setting, value: to, why },
    ...(at.value ? { zones: [...at.value.zones] } : {}),
  })
  /** The reason of what was entered last, wherever that was. */
  function because(why: LevelUse['why']): Promise<unknown> {
    const { atMs: _, ...last } = lastSet.value!
    return store.say({ type: 'set', ...last, why })
  }
  return { level, places, place, value, last, lastSet, tap, setTo, because }
}
