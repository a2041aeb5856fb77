import { useEventListener } from '@vueuse/core'
import { HOLD_MS } from './useHold'
import { useOf } from '~/support/perform/keys'

/** The big target by finger, key or pedal: a tap acts, what needs a hold acts only when it was held. */
export function usePedal(target: {
  readonly isHeld: () => boolean
  readonly isBusy: () => boolean
  readonly act: () => void
  readonly actHeld: () => void
  readonly stings: () => void
  readonly undo: () => void
}) {
  let fingerHeld = false
  let swallow = false
  const { keys } = useKeyMap()
  const hold = useHold(HOLD_MS, () => {
    swallow = fingerHeld
    target.actHeld()
  })
  // Letting go after a hold is not a tap on what the target has become meanwhile.
  function tapped() {
    if (swallow) swallow = false
    else target.act()
  }
  function press() {
    fingerHeld = true
    swallow = false
    if (target.isHeld()) hold.start()
  }
  function letGo() {
    fingerHeld = false
    hold.stop()
  }

  // A pedal sends keys: Space, or what was taught, is the big target wherever the focus is (Enter works the focused control). Key repeat is no second press.
  useEventListener('keydown', (event: KeyboardEvent) => {
    const use = useOf(event.code, keys.value)
    if (!use || target.isBusy()) return
    event.preventDefault()
    if (event.repeat) return
    if (use === 'stings') target.stings()
    else if (use === 'undo') target.undo()
    else if (target.isHeld()) hold.start()
    else target.act()
  })
  useEventListener('keyup', (event: KeyboardEvent) => {
    if (useOf(event.code, keys.value) !== 'next' || target.isBusy()) return
    event.preventDefault()
    hold.stop()
  })
  return { progress: hold.progress, tapped, press, letGo }
}
