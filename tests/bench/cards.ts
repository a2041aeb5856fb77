import { compile, hasLadder, whichCard, type FittedPlan } from '#core/adapt'
import { place, type PlacingProblem } from '#core/schedule'
import { DEMO_PROTOCOLS } from '../../demo/protocols'
import { CLIENTS } from '../fixtures'
import { visitOf } from '../person-visit'

// What the whole library costs: every card for every client of the fixtures in every slot, which card today, and enhancements without room.

const SLOTS = [30, 45, 60, 75, 90, 120]
const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b)
const at = (values: readonly number[], share: number) =>
  sorted(values)[Math.min(values.length - 1, Math.floor(values.length * share))]!
const figures = (values: readonly number[]) =>
  `median ${at(values, 0.5).toFixed(1)} ms, p99 ${at(values, 0.99).toFixed(1)} ms`

function timed<T>(work: () => T): readonly [T, number] {
  const from = performance.now()
  const result = work()
  return [result, performance.now() - from]
}

/** Every card, client and slot: how long, what came of it, and how much was proven. */
export function wholeLibrary(): void {
  const times: number[] = []
  const cuts: FittedPlan[] = []
  const statuses = new Map<string, number>()
  for (const protocol of DEMO_PROTOCOLS)
    for (const { name } of CLIENTS)
      for (const slotMinutes of SLOTS) {
        const [plan, ms] = timed(() => compile({ ...visitOf(name, protocol), slotMinutes }))
        times.push(ms)
        statuses.set(plan.status, (statuses.get(plan.status) ?? 0) + 1)
        if (hasLadder(plan) && plan.fit) cuts.push(plan)
      }
  const proven = cuts.filter(({ fit }) => fit!.kind === 'optimal' || fit!.kind === 'infeasible')
  const said = [...statuses].map(([status, count]) => `${status} ${count}`).join(', ')
  console.log(`\n${times.length} plans (cards × clients × slots): ${figures(times)}; ${said}`)
  console.log(
    `cut to their slot: ${cuts.length}, proven ${((100 * proven.length) / cuts.length).toFixed(1)} %`,
  )
}

/** All cards compared for one client and slot: until the first is there, and until all are. */
export function comparing(): void {
  const firsts: number[] = []
  const alls: number[] = []
  for (const { name } of CLIENTS)
    for (const slotMinutes of [45, 60, 90]) {
      const visit = { ...visitOf(name, DEMO_PROTOCOLS[0]!), slotMinutes }
      const from = performance.now()
      let first = 0
      const [, ms] = timed(() =>
        whichCard(visit, DEMO_PROTOCOLS, () => {
          first ||= performance.now() - from
        }),
      )
      firsts.push(first)
      alls.push(ms)
    }
  console.log(
    `which card, ${DEMO_PROTOCOLS.length} cards: first ${figures(firsts)}; all ${figures(alls)} (budget: 500 ms, 3 s)`,
  )
}

/** So many equal enhancements under one mask less, each of which holds one. */
function crowded(enhancements: number): PlacingProblem {
  const part = (id: string, leastS: number, hands: boolean, zone: 'forehead' | 'hands') => ({
    ...{ id, leastS, mostS: leastS, hands, zones: [zone] },
    ...{ at: 'client' as const, needs: 'away' as const, mayStretch: false },
  })
  const masks = Array.from({ length: enhancements - 1 }, (_, n) => `mask${n}`)
  const hosts = masks.map((id) => ({ chainId: id, partId: `${id}/dwell` }))
  return {
    lags: [],
    chains: [
      ...masks.map((id) => ({
        id,
        parts: [
          part(`${id}/on`, 60, true, 'forehead'),
          part(`${id}/dwell`, 400, false, 'forehead'),
        ],
      })),
      ...Array.from({ length: enhancements }, (_, n) => ({
        id: `hung${n}`,
        hosts,
        parts: [part(`hung${n}/work`, 300, true, 'hands')],
      })),
    ],
  }
}

export function withoutRoom(): void {
  const rows = [5, 6, 7, 8, 9, 10, 11, 12].map((m) => {
    const [placing, ms] = timed(() => place(crowded(m)))
    return `${m}: ${placing.kind}, ${placing.nodes} nodes, ${ms.toFixed(1)} ms`
  })
  console.log(`m enhancements under m − 1 masks: ${rows.join('; ')}`)
}
