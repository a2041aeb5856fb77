import { figure } from './figure'
import { inMeasures, measureInWords } from './measure'

/** How a salon's quantities are shown. What is kept, weighed and exchanged is metric always. */
export type Measures = 'metric' | 'us'

/** Units that are shown otherwise where US measures are wished. */
type LocalUnit = 'g' | 'mL' | '°C' | 'cm'

// NIST Handbook 44, Appendix C (values from memory).
const G_PER_OZ = 28.349523
const ML_PER_FL_OZ = 29.57353
const ML_PER_TSP = 4.92892
const CM_PER_IN = 2.54
const TEASPOON = { name: 'teaspoon', unit: 'mL', per: ML_PER_TSP } as const
/** Less than this, and what no eighth of a spoon meets to a twentieth, is drawn up or weighed: it stays metric (common practice, no source). */
const LEAST_ML = ML_PER_TSP / 4
const MOST_ML = 3 * ML_PER_TSP
const MOST_OFF = 0.05
/** A hair above a whole figure is that figure: 104 °F is 40 °C. */
const HAIR = 1e-6

/** Whole degrees Fahrenheit, never warmer than what was said: limits of heat on skin stay limits. */
export const fahrenheit = (celsius: number): number => Math.floor((celsius * 9) / 5 + 32 + HAIR)
/** The nearest whole degrees Fahrenheit: what a field shows of a temperature that was typed. */
export const nearestFahrenheit = (celsius: number): number => Math.round((celsius * 9) / 5 + 32)
/** The least whole degrees Fahrenheit that are not colder. */
const fahrenheitFrom = (celsius: number): number => Math.ceil((celsius * 9) / 5 + 32 - HAIR)
/** Degrees Celsius to the tenth. */
export const celsiusOf = (degreesF: number): number => Math.round(((degreesF - 32) * 50) / 9) / 10

const grams = (amount: number): string =>
  amount < G_PER_OZ ? `${figure(amount)} g` : `${(amount / G_PER_OZ).toFixed(1)} oz`

function millilitres(amount: number): string {
  const ounces = (amount / ML_PER_FL_OZ).toFixed(1)
  if (amount > MOST_ML && Math.abs(Number(ounces) * ML_PER_FL_OZ - amount) <= MOST_OFF * amount)
    return `${ounces} fl oz`
  if (amount >= LEAST_ML && amount <= MOST_ML) {
    const { count, error } = inMeasures({ dimension: 'volume', base: amount }, TEASPOON)!
    if (Math.abs(error) <= MOST_OFF * amount) return measureInWords(count, 'teaspoon')
  }
  return `${figure(amount)} mL`
}

const US: Readonly<Record<LocalUnit, (amount: number) => string>> = {
  g: grams,
  mL: millilitres,
  '°C': (amount) => `${fahrenheit(amount)} °F`,
  // How far a device stays away: rather further.
  cm: (amount) => `${Math.ceil(amount / CM_PER_IN - HAIR)} in`,
}

/** An amount in words: "12.5 g", "1⅝ teaspoons", "104 °F". Units of a device's own (mm, Hz, level) are the same everywhere. */
export function amountInWords(amount: number, unit: string, measures: Measures): string {
  const local = measures === 'us' && Object.hasOwn(US, unit) ? US[unit as LocalUnit] : undefined
  return local ? local(amount) : `${figure(amount)} ${unit}`
}

/** What one unit costs, as it is bought here: of 0.10 a gram, 2.83 an ounce. */
export function perUnitHere(
  price: number,
  unit: 'g' | 'mL',
  measures: Measures,
): { readonly price: number; readonly unit: string } {
  if (measures === 'metric') return { price, unit }
  return unit === 'g'
    ? { price: price * G_PER_OZ, unit: 'oz' }
    : { price: price * ML_PER_FL_OZ, unit: 'fl oz' }
}

const SAID = /(?:(\d+(?:\.\d+)?)–)?(\d+(?:\.\d+)?) ?(°C|mL|cm|g)(?![²³\p{L}\d/])/gu
/** A dose said in spoons, and its millilitres as the same spoons. */
const TWICE = /([\d⅛¼⅜½⅝¾⅞]+ teaspoons?) · \1/gu
/** A sentence with its quantities as they are shown here: "towels 40 °C at the wrist" is "towels 104 °F at the wrist". */
export function saidIn(text: string, measures: Measures): string {
  if (measures === 'metric') return text
  return text
    .replaceAll(SAID, (_, from: string | undefined, to: string, unit: LocalUnit) => {
      const upper = US[unit](Number(to))
      if (from === undefined) return upper
      const lower = unit === '°C' ? `${fahrenheitFrom(Number(from))}` : US[unit](Number(from))
      return `${lower}–${upper}`
    })
    .replaceAll(TWICE, '$1')
}
