import { deviceLevelOf, type DeviceLevel } from '#core/adapt'
import { LEVEL_REASONS, type LevelUse } from '#core/climb'
import type { RunBody } from '#core/perform'
import type { Step } from '#core/protocol'
import { zonesInWords, type ZoneId } from '#core/skin'

export type LevelReason = LevelUse['why']
export { LEVEL_REASONS }

/** What the device of a step is set to now, place by place, and how it is entered: she sets it on the device and taps once. */
export function useDeviceLevel(stepId: () => string) {
  const { store, plan, stepOf } = useRunning()
  const level = computed(() => {
    const step = stepOf(stepId())
    if (!step || !plan.value || !store.run) return undefined
    const { shelf, history } = store.run.input
    return deviceLevelOf(step, shelf, plan.value.changes, history)
  })
  const places = computed(() => placesOf(stepOf(stepId())))
  const place = ref<string>('')
  const set = computed(() => (store.state?.levels ?? []).filter((one) => one.stepId === stepId()))
  const lastSet = computed(() => set.value.at(-1))
  const value = computed(() => level.value && valueAt(level.value, set.value, place.value))

  const zones = () => places.value.find(({ words }) => words === place.value)?.zones
  /** Enters a value, with the reason that is likelier; the reason can be put right. */
  function enter(next: number, why: LevelReason): Promise<unknown> {
    const { deviceId, setting } = level.value!
    const at = zones()
    const body: RunBody = {
      ...{ type: 'set', stepId: stepId(), deviceId, setting, value: next, why },
      ...(at ? { zones: [...at] } : {}),
    }
    return store.say(body)
  }
  const lower = () =>
    enter(Math.max(level.value!.least, value.value! - level.value!.by), 'too strong')
  const raise = () => enter(Math.min(level.value!.most, value.value! + level.value!.by), 'not felt')
  /** The reason of what was entered last, wherever that was. */
  function because(why: LevelReason): Promise<unknown> {
    const { atMs: _, ...last } = lastSet.value!
    return store.say({ type: 'set', ...last, why })
  }
  return { level, places, place, value, lastSet, lower, raise, because }
}

/** What was set last at a place, else everywhere, else where the hands began. */
function valueAt(level: DeviceLevel, set: readonly LevelUse[], place: string): number {
  const at = set.findLast(({ zones }) => zones !== undefined && zonesInWords(zones) === place)
  const everywhere = set.findLast(({ zones }) => zones === undefined)
  return (at ?? everywhere)?.value ?? level.start
}

/** Places of a step in the order in which the device goes: left and right are one. */
function placesOf(step: Step | undefined): { words: string; zones: ZoneId[] }[] {
  const groups = new Map<string, ZoneId[]>()
  for (const zone of step?.passes?.zones ?? step?.zones ?? []) {
    const key = zone.startsWith('nose-') ? 'nose' : zone.replace(/-(?:left|right)$/, '')
    groups.set(key, [...(groups.get(key) ?? []), zone])
  }
  return [...groups.values()].map((zones) => ({ words: zonesInWords(zones), zones }))
}
