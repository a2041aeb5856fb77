import type { FieldOption } from '~/support/options'

/** Every time zone this browser knows (IANA), to search in. */
export const zoneOptions = (): FieldOption<string>[] =>
  [...new Set([...Intl.supportedValuesOf('timeZone'), 'Etc/UTC'])].map((zone) => ({
    value: zone,
    words: zone.replaceAll('_', ' '),
  }))

/** Every currency this browser knows (ISO 4217), by its name. */
export function currencyOptions(): FieldOption<string>[] {
  const names = new Intl.DisplayNames('en', { type: 'currency' })
  return Intl.supportedValuesOf('currency').map((code) => ({
    value: code,
    words: `${code} · ${names.of(code) ?? code}`,
  }))
}
