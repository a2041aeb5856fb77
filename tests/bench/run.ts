import highsLoader from 'highs'
import { Bench } from 'tinybench'
import {
  audit,
  compile,
  constraintsFor,
  placingOf,
  resolve,
  shortages,
  sketch,
  slotOptions,
  standIns,
} from '#core/adapt'
import { listed } from '#core/catalog'
import { costOfCard, layOut } from '#core/costing'
import { readShelfCsv, shelfCsv } from '#core/csv'
import { make } from '../../demo/shelf/make'
import { SUPPLIES } from '../../demo/shelf/mixes'
import { RATES } from '../../demo/stock'
import { cardOf } from '../fixtures'
import { visitOf } from '../person-visit'
import { chances } from '#core/risk'
import { place } from '#core/schedule'
import { segment, type Step } from '#core/protocol'
import { BRIGHTENING, CLARIFYING } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { toLp } from '../oracle'
import { performed, runningAt } from '../under-way'
import { randomLadder } from '../random-ladder'
import { comparing, wholeLibrary, withoutRoom } from './cards'
import { client, input, protocolOf, readingOf, seen, yes } from '../situations'

// Prints medians with their budget, and the scheduler's optimum and time beside HiGHS in the same run. Not a timed test.

/** Twenty-five steps from the two longest cards. */
const long = protocolOf(
  ...[
    ...CLARIFYING.steps,
    ...BRIGHTENING.steps.map((step): Step => ({
      ...step,
      id: `b-${step.id}`,
      ...(step.closes ? { closes: `b-${step.closes}` } : {}),
    })),
  ]
    .filter((step) => !step.floating)
    .slice(0, 23),
  ...CLARIFYING.steps.filter((step) => step.floating),
)
const given = input({
  protocol: long,
  client: client([
    yes('melasma'),
    yes('allergy:pineapple'),
    yes('allergy:salicylates'),
    yes('lash-extensions'),
  ]),
  reading: readingOf(seen('flushing'), seen('sensitive', 1, ['chin']), seen('congestion')),
})
const constraints = constraintsFor(given)

/** Forty steps with eight floating: four masks with two enhancements each, and short work between. */
function large(): Step[] {
  const work = (id: string): Step => ({
    id,
    phase: 'serum',
    title: id,
    zones: ['forehead'],
    properties: [],
    essential: true,
    priority: 3,
    segments: [segment('on', 'apply', 1)],
  })
  const mask = (id: string): Step => ({
    ...work(id),
    segments: [
      segment('mix', 'prepare', 1, { potLifeS: 60, workingS: 240 }),
      segment('on', 'apply', 2),
      segment('dwell', 'dwell', [8, 10, 14], {
        presence: 'room',
        admits: ['hands', 'lips', 'scalp', 'quiet'],
      }),
      segment('off', 'remove', 2, { tool: 'sponge' }),
    ],
  })
  const hang = (id: string, needs: 'lips' | 'scalp', time: number): Step => ({
    ...work(id),
    zones: [needs],
    essential: false,
    floating: { needs },
    segments: [
      segment('on', 'apply', time),
      ...(needs === 'scalp'
        ? [segment('hands', 'hygiene', 0.5)]
        : [
            segment('dwell', 'dwell', [2, 2, 2], { active: true }),
            segment('off', 'remove', 0.5, { tool: 'gauze' }),
          ]),
    ],
  })
  const fixed = Array.from({ length: 32 }, (_, at) =>
    at % 8 === 4 ? mask(`m${at}`) : work(`w${at}`),
  )
  return [
    ...fixed,
    ...Array.from({ length: 8 }, (_, at) =>
      hang(`h${at}`, at % 2 === 0 ? 'lips' : 'scalp', 2 + (at % 3)),
    ),
  ]
}
const forty = placingOf(large())

const bench = new Bench({ time: 800, warmupTime: 100 })
bench.add('constrain', () => {
  constraintsFor(given)
})
bench.add('resolve', () => {
  resolve({ steps: long.steps, constraints, shelf: DEMO_SHELF })
})
bench.add('compile', () => {
  compile(given)
})
bench.add('place', () => {
  place(forty)
})
const fittedLong = compile(given)
/** The same visit under way, ten minutes in, and its rest as a tablet fitted it. */
const tenMinutesIn = runningAt(fittedLong, performed(fittedLong, 600), 600)
const toldAtTen = compile(given, tenMinutesIn)
bench.add('refit', () => {
  compile(given, tenMinutesIn)
})
bench.add('audit', () => {
  audit(toldAtTen, given, tenMinutesIn)
})
bench.add('chances', () => {
  chances({ plan: fittedLong, slotS: fittedLong.slotS, seed: 1 })
})
const toSixty = {
  ...input({
    protocol: BRIGHTENING,
    client: client([], { concerns: ['brighten', 'hydrate'] }),
    reading: readingOf(seen('congestion', 2, ['chin'])),
  }),
  slotMinutes: 60,
}
bench.add('fit 60', () => {
  compile(toSixty)
})
bench.add('fit 45', () => {
  compile({ ...toSixty, slotMinutes: 45 })
})
bench.add('frontier', () => {
  slotOptions(toSixty, [30, 40, 50, 60, 70, 80, 90, 105, 120, 150, 180])
})
bench.add('sketch', () => {
  sketch(large(), DEMO_SHELF, true)
})
const money = { rates: { ...RATES, turnoverMinutes: 10 }, supplies: SUPPLIES }
const bowl = visitOf('Pilar Nwosu', cardOf('mixed-bowl'))
const bowlPlan = compile(bowl)
bench.add('lay out', () => {
  layOut(bowl, bowlPlan, money)
})
bench.add('stand-ins', () => {
  standIns(bowl, shortages(bowl)[0]!)
})
bench.add('cost of a card', () => {
  costOfCard(BRIGHTENING.steps, DEMO_SHELF, SUPPLIES, money.rates)
})
const crowd = Array.from({ length: 5000 }, (_, at) =>
  make({
    id: `p-${at}`,
    name: `Product ${at}`,
    kind: 'serum',
    uses: [],
    actives: [{ name: 'niacinamide', percent: at % 10 }],
    inci: 'Aqua, Glycerin, Panthenol',
    pack: { amount: 100, priceMinor: 1500 },
    stock: 0,
  }),
)
const file = shelfCsv(
  crowd.map((product) => ({ product })),
  2,
)
bench.add('read a CSV', () => {
  readShelfCsv(file, { minorDigits: 2, today: '2026-11-25' })
})
bench.add('list a shelf', () => {
  for (const product of crowd) listed(product, [], false, '2026-11-25', '2026-12-25')
})
await bench.run()

const BUDGET: Record<string, string> = {
  constrain: '50 ms together with resolve',
  resolve: '50 ms together with constrain',
  compile: 'constrain + resolve + two ladders placed',
  place: '100 ms',
  refit: 'what the audit saves',
  audit: '20 ms',
  chances: '10 000 runs, in the worker',
  'fit 60': '1 s',
  'fit 45': '1 s',
  frontier: 'eleven slots, in a worker of its own',
  sketch: 'per keystroke, in the worker',
  'lay out': 'in the worker',
  'stand-ins': 'one shortage, each compiled whole; in a worker',
  'cost of a card': '24 cards for the price list',
  'read a CSV': 'in a worker, with progress',
  'list a shelf': 'on the server',
}
const SUBJECT: Record<string, string> = {
  constrain: `${long.steps.length} steps`,
  resolve: `${long.steps.length} steps`,
  compile: `${long.steps.length} steps`,
  refit: `${long.steps.length} steps`,
  audit: `${long.steps.length} steps`,
  chances: `${long.steps.length} steps`,
  place: '40 steps, 8 floating',
  'fit 60': 'brightening, 19 steps',
  'fit 45': 'brightening, 19 steps',
  frontier: 'brightening, 19 steps',
  sketch: '40 steps, 8 floating',
  'lay out': 'mixed bowl',
  'stand-ins': 'a booster that is out',
  'cost of a card': 'brightening',
  'read a CSV': '5 000 rows',
  'list a shelf': '5 000 products',
}
const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const ms = (value: number) => `${value.toFixed(value < 10 ? 2 : 1)} ms`
const row = (...cells: string[]) =>
  console.log(cells.map((cell, at) => cell.padEnd([16, 24, 12, 12, 48][at] ?? 0)).join(''))

row('what', 'on', 'median', 'p99', 'budget')
for (const task of bench.tasks) {
  const result = task.result
  if (result && 'latency' in result)
    row(
      task.name,
      SUBJECT[task.name] ?? '',
      ms(result.latency.p50 ?? result.latency.mean),
      ms(result.latency.p99 ?? result.latency.max),
      BUDGET[task.name] ?? '',
    )
}

const placed = place(forty)
console.log(
  `\nplace, 40 steps with 8 floating: ${placed.kind}${'makespanS' in placed ? `, ${placed.makespanS / 60} min, gap ${placed.gapS} s` : ''}, ${placed.nodes} nodes`,
)

const highs = await highsLoader()
const pairs = Array.from({ length: 100 }, (_, at) => {
  const problem = randomLadder(1000 + at, { fixed: 4, floating: 2 })
  const t0 = performance.now()
  const ours = place(problem)
  const t1 = performance.now()
  const theirs = highs.solve(toLp(problem, 500), { mip_rel_gap: 0, mip_abs_gap: 0 })
  const t2 = performance.now()
  const same =
    theirs.Status === 'Infeasible'
      ? ours.kind === 'infeasible'
      : ours.kind === 'optimal' && ours.makespanS === Math.round(theirs.ObjectiveValue)
  return { ours: t1 - t0, theirs: t2 - t1, same }
})
console.log(
  `against HiGHS, 100 random ladders: same optimum or infeasibility on ${pairs.filter((pair) => pair.same).length}; median ${ms(median(pairs.map((pair) => pair.ours)))} here, ${ms(median(pairs.map((pair) => pair.theirs)))} HiGHS, median ratio ${median(pairs.map((pair) => pair.theirs / pair.ours)).toFixed(0)}`,
)

wholeLibrary()
comparing()
withoutRoom()
