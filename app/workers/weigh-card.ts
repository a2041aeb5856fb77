import { compareCard, hasLadder, type CardToday, type CompileInput } from '#core/adapt'
import type { ProtocolVersion } from '#core/protocol'
import { chances } from '#core/risk'

/** One card compared for a visit; with a seed it gets all the work a fit gets, and its chance of running over (0…1). */
export function weighCard(
  visit: Omit<CompileInput, 'protocol'>,
  protocol: ProtocolVersion,
  whole?: { readonly seed: number },
): CardToday & { readonly over?: number } {
  const input = { ...visit, protocol }
  if (!whole) return compareCard(input, protocol).card
  const { card, plan } = compareCard(input, protocol, 1)
  if (!hasLadder(plan)) return card
  const { steps, segments, slotS } = plan
  return { ...card, over: chances({ plan: { steps, segments }, slotS, seed: whole.seed }).over }
}
