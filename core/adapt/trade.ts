import { readInci } from '../catalog/inci'
import type { Product } from '../catalog/model'
import { propertyWords, type Property } from '../protocol/words'
import { toMinutes } from '../quantity/time'
import type { CompileInput } from './input'
import { tenth } from './shortages'

/** Properties whose coming or going a practitioner wants to be told. */
const TOLD: readonly Property[] = [
  'exfoliating',
  'acid',
  'enzyme',
  'heat',
  'warming',
  'stings',
  'drying',
  'tightening',
  'softening',
  'calming',
  'retinoid',
  'oil',
  'leave-on',
]

/** What a visit becomes longer or shorter by; nothing below half a minute. */
export const timeTrade = (moreS: number): string[] =>
  Math.abs(moreS) < 30
    ? []
    : [`${toMinutes(Math.abs(moreS))} min ${moreS > 0 ? 'longer' : 'shorter'}`]

/** The wanted product and what would be used instead: `fitted` is what goes on the skin, `product` what was chosen (a mix has parts). */
export interface Exchange {
  readonly wanted: Product | undefined
  readonly fitted: Product | undefined
  readonly product: Product
}

/** What is gained or lost by an exchange, in short sentences. */
export function tradeOf({ wanted, fitted, product }: Exchange, input: CompileInput): string[] {
  if (!wanted || !fitted) return []
  return [
    ...lostConcerns(wanted, fitted, product, input),
    ...changedProperties(fitted, wanted).map((property) => `is ${propertyWords(property)}`),
    ...changedProperties(wanted, fitted).map((property) => `is not ${propertyWords(property)}`),
    ...activeTrade(wanted, fitted),
    ...(isScented(fitted) && !isScented(wanted) ? ['has scent'] : []),
    ...finishTrade(wanted, fitted, input),
  ]
}

/** Properties that the one has and the other has not. */
const changedProperties = (product: Product, other: Product): Property[] =>
  TOLD.filter(
    (property) => product.properties.includes(property) && !other.properties.includes(property),
  )

function lostConcerns(
  wanted: Product,
  fitted: Product,
  product: Product,
  { client }: CompileInput,
): string[] {
  const lost = wanted.concerns.filter(
    (concern) => !product.concerns.includes(concern) && client.concerns.includes(concern),
  )
  return lost.length > 0 && !fitted.recipe ? [`does not ${lost.join(' or ')}`] : []
}

function finishTrade(wanted: Product, fitted: Product, input: CompileInput): string[] {
  const castShows = fitted.finish?.cast === 'white' && isDeep(input)
  const isGreasy = fitted.finish?.grease === 'greasy'
  return [
    ...(castShows && wanted.finish?.cast !== 'white' ? ['leaves a white cast on this skin'] : []),
    ...(isGreasy && wanted.finish?.grease !== 'greasy' ? ['finishes greasy'] : []),
  ]
}

/** Where a white cast is seen. */
const isDeep = ({ client }: CompileInput): boolean =>
  client.facts.findLast((fact) => fact.code === 'phototype-iv-vi')?.answer === 'yes'
const isScented = (product: Product): boolean => readInci(product.inci).families.has('fragrance')

function activeTrade(wanted: Product, fitted: Product): string[] {
  const names = [...wanted.actives, ...fitted.actives].map((active) => active.name)
  return [...new Set(names)].flatMap((name) => percentTrade(wanted, fitted, name) ?? [])
}

function percentTrade(wanted: Product, fitted: Product, name: string): string | undefined {
  const [was, is] = [wanted, fitted].map(
    (product) => product.actives.find((active) => active.name === name)?.percent ?? 0,
  ) as [number, number]
  if (Math.abs(was - is) < 0.005) return undefined
  if (is === 0) return `no ${name}`
  if (was === 0) return `${tenth(is)} % ${name} besides`
  return `${tenth(is)} % ${name} instead of ${tenth(was)} %`
}
