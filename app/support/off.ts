import type { ObjectDirective } from 'vue'

/** Why a control cannot do its work now; nothing where it can. */
export type WhyOff = string | false | null | undefined

/**
 * A control that waits stays in reach of a finger, of Tab and of a reader: it is marked as disabled, holds the reason as its description, and
 * tells it when it is touched. What it would have done is not done, also where a form is sent by Enter.
 */
export function off(say: (why: string) => void): ObjectDirective<HTMLElement, WhyOff> {
  const whys = new WeakMap<HTMLElement, WhyOff>()
  function mark(control: HTMLElement, why: WhyOff) {
    whys.set(control, why)
    if (why) {
      control.setAttribute('aria-disabled', 'true')
      control.title = why
      return
    }
    control.removeAttribute('aria-disabled')
    control.removeAttribute('title')
  }
  return {
    // Before its own listeners: what is stopped here never comes to them.
    created(control, { value }) {
      whys.set(control, value)
      control.addEventListener(
        'click',
        (event) => {
          const why = whys.get(control)
          if (!why) return
          event.preventDefault()
          event.stopImmediatePropagation()
          say(why)
        },
        { capture: true },
      )
    },
    mounted: (control, { value }) => mark(control, value),
    updated: (control, { value }) => mark(control, value),
  }
}
