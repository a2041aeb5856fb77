import { minorDigits } from '#core/costing'

/** Whole minor units as people read them: "€12.50". */
export const money = (minor: number, currency: string): string =>
  new Intl.NumberFormat('en-IE', { style: 'currency', currency }).format(
    minor / 10 ** minorDigits(currency),
  )

/** Minor units as a field shows them: "12.50". */
export const moneyField = (minor: number | null | undefined, currency: string): string =>
  minor === null || minor === undefined
    ? ''
    : (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency))

/** What was typed as whole minor units; null for nothing, undefined for what is no price. Comma or point. */
export function minorTyped(typed: string, currency: string): number | null | undefined {
  const text = typed.trim().replace(',', '.')
  if (text === '') return null
  const digits = minorDigits(currency)
  if (!new RegExp(`^\\d+(\\.\\d{1,${Math.max(1, digits)}})?$`).test(text)) return undefined
  const minor = Math.round(Number(text) * 10 ** digits)
  return Number.isSafeInteger(minor) && minor <= 100_000_000 ? minor : undefined
}
