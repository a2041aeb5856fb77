import { amountInWords, perUnitHere, saidIn } from '#core/quantity'

/** Quantities as this salon reads them (Settings, The salon). What is typed, kept and sent stays metric. */
export function useMeasures() {
  const session = useSessionStore()
  const measures = computed(() => session.salon?.measures ?? 'metric')
  const isUs = computed(() => measures.value === 'us')
  const amountOf = (amount: number, unit: string) => amountInWords(amount, unit, measures.value)
  return {
    isUs,
    /** "12.5 g", "1⅝ teaspoons", "104 °F". */
    amountOf,
    /** Water for a bowl. A jug is marked in millilitres everywhere: they stay beside the spoons. */
    pouredOf: (mL: number) =>
      [...new Set([amountOf(mL, 'mL'), amountInWords(mL, 'mL', 'metric')])].join(' · '),
    /** What one unit costs, and which unit that is here. */
    perUnit: (price: number, unit: 'g' | 'mL') => perUnitHere(price, unit, measures.value),
    /** A sentence of the rules, a card or a device with its quantities in it. */
    said: (text: string) => saidIn(text, measures.value),
  }
}
