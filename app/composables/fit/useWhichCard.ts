import { ranked, type CardToday, type CompileInput } from '#core/adapt'
import type { ProtocolVersion } from '#core/protocol'
import { RISK_SEED } from '~/support/fit/chance'

/** What is compared: a visit without its card, and every card. */
export interface Choosing {
  readonly input: Omit<CompileInput, 'protocol'>
  readonly cards: readonly ProtocolVersion[]
}
/** A card as it would be today; the best ones with how often they would run over. */
export type WeighedCard = CardToday & { readonly over?: number }

/** The best ones are fitted again with all the work a fit gets. */
const FITTED_WHOLE = 3

/** Every card compiled for one client, day and slot, one after another in a worker, ranked as they come; stops when it is left. */
export function useWhichCard() {
  const weighed = shallowRef<readonly WeighedCard[]>([])
  const total = ref(0)
  const done = ref(0)
  let run = 0

  function stop() {
    run++
  }
  async function start({ input, cards }: Choosing) {
    const mine = ++run
    weighed.value = []
    total.value = cards.length
    done.value = 0
    for (const card of cards) {
      const result = await useFitter().weighCard(input, card)
      if (mine !== run) return
      done.value++
      weighed.value = ranked([...weighed.value, result])
    }
    for (const { protocolId } of weighed.value.slice(0, FITTED_WHOLE)) {
      const card = cards.find((other) => other.protocolId === protocolId)!
      const result = await useFitter().weighCard(input, card, { seed: RISK_SEED })
      if (mine !== run) return
      weighed.value = weighed.value.map((other) =>
        other.protocolId === protocolId ? result : other,
      )
    }
  }
  onScopeDispose(stop)
  return { weighed, total, done, start, stop }
}
