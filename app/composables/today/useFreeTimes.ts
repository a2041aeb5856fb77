import { call, refusalOf, type Reply } from '~/support/api'

export type FreeTimes = Reply<'/api/bookings/free', 'post'>

/** What free times are asked for; undefined while too little is chosen. Without a length it is the card's own. */
export interface FreeWish {
  readonly protocolId: string
  readonly date: string
  readonly slotMinutes?: number
  readonly clientId?: string
  readonly roomId?: string
  readonly practitionerId?: string
  readonly but?: string
  /** Only where whoever performs takes turns with another client. */
  readonly turns?: true
}

/** Times at which a visit could really be, asked anew whenever the wish changes; the answer to the last one counts. */
export function useFreeTimes(wish: () => FreeWish | undefined) {
  const free = shallowRef<FreeTimes>()
  const trouble = ref('')
  let asked = 0

  async function ask() {
    const number = ++asked
    const body = wish()
    if (!body) return void (free.value = undefined)
    try {
      const found = await call('/api/bookings/free', { method: 'post', body })
      if (number !== asked) return
      free.value = found
      trouble.value = ''
    } catch (error) {
      if (number === asked) trouble.value = refusalOf(error).detail
    }
  }
  watch(() => JSON.stringify(wish() ?? null), ask, { immediate: true })
  return { free, trouble, ask }
}
