import { signalsAt } from '#core/perform'
import { makeTones } from '~/support/perform/tones'

const KEPT = 'zen-sounds'
export const SOUND_WAYS = ['tones', 'vibration', 'silent'] as const
export type SoundWay = (typeof SOUND_WAYS)[number]
const wayKept = (): SoundWay | undefined =>
  SOUND_WAYS.find((way) => way === localStorage.getItem(KEPT))

const way = ref<SoundWay>()
/** Whether this tablet sounds, shakes or is silent; asked once, undefined before that. It is the tablet's, not a person's. */
export function useSoundWay() {
  way.value ??= wayKept()
  function choose(next: SoundWay) {
    way.value = next
    localStorage.setItem(KEPT, next)
    // What was touched may sound: browsers allow none before.
    if (next === 'tones') makeTones().play('due')
  }
  const canShake = typeof navigator.vibrate === 'function'
  return { way, choose, canShake }
}

/** Soft tones, made on the tablet, when something asks for hands. Silent until somebody has chosen otherwise. */
export function useSignals() {
  const { live, now, startedMs, finished, paused } = useRunning()
  const { way } = useSoundWay()
  const tones = makeTones()
  const { others, present } = useRooms()
  const isRunning = computed(() => startedMs.value !== undefined && !finished.value)
  const signals = computed(() => [
    ...(live.value && isRunning.value ? signalsAt(live.value, now.value) : []),
    // What comes off in another room is heard here too: nobody else is there.
    ...others.value.flatMap((room) =>
      room.state.startedMs === undefined || room === present.value
        ? []
        : signalsAt({ ...room.live, hands: undefined }, now.value).map(({ id, kind }) => ({
            id: `${room.visitId}:${id}`,
            kind,
          })),
    ),
  ])
  let heard: ReadonlySet<string> | undefined
  watch(
    () => signals.value.map(({ id }) => id).join(' '),
    () => {
      const fresh = signals.value.filter(({ id }) => heard && !heard.has(id))
      // What was there when the page came up has been heard, or is seen.
      heard = new Set([...(heard ?? []), ...signals.value.map(({ id }) => id)])
      const [first] = fresh
      if (!first || (paused.value && first.kind === 'mix')) return
      if (way.value === 'tones') tones.play(first.kind)
      if (way.value === 'vibration') tones.shake(first.kind)
    },
    { immediate: true },
  )
}
