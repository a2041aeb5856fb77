import { type Rates, compareOffers, type Offers } from '#core/costing'
import { call } from '~/support/api'
import { minorTyped } from '~/support/money'

/** What one protocol or enhancement costs and is sold for, as the server adds it up. */
export interface PriceRow {
  kind: 'protocol' | 'add-on'
  ref: string
  name: string
  costMinor: number
  goodsMinor: number
  minutes: number
  priceMinor: number | null
  goingMinor: number | null
  unpriced: number
}
export interface OfferWish {
  readonly protocol: string
  readonly addOns: readonly string[]
  readonly included: string
}

/** The price list: costs from the server, prices and rates saved as they are typed. */
export function usePrices(rates: () => Rates, currency: () => string) {
  const rows = shallowRef<PriceRow[]>()
  // A second figure typed before the first is saved builds on it.
  const own = shallowRef<Rates>(rates())
  const { trouble, attempt } = useAttempt()
  const load = () =>
    attempt(async () => {
      rows.value = await call<PriceRow[]>('/api/shelf/prices')
    })
  async function saveRate(key: keyof Rates, typed: string): Promise<boolean> {
    const value =
      key === 'marginPercent' || key === 'turnoverMinutes'
        ? Number(typed)
        : minorTyped(typed, currency())
    if (typeof value !== 'number' || !Number.isFinite(value)) {
      trouble.value = `“${typed}” is not a figure.`
      return false
    }
    own.value = { ...own.value, [key]: value }
    return (
      (await attempt(() => call('/api/shelf/rates', { method: 'PUT', body: own.value }))) !==
      undefined
    )
  }
  async function savePrice(row: PriceRow, key: 'priceMinor' | 'goingMinor', typed: string) {
    const minor = minorTyped(typed, currency())
    if (minor === undefined) return void (trouble.value = `${row.name}: “${typed}” is not a price.`)
    rows.value = rows.value?.map((one) =>
      one.kind === row.kind && one.ref === row.ref ? { ...one, [key]: minor } : one,
    )
    const {
      kind,
      ref: of,
      priceMinor,
      goingMinor,
    } = rows.value!.find((one) => one.kind === row.kind && one.ref === row.ref)!
    if (
      (await attempt(() =>
        call('/api/shelf/prices', {
          method: 'PUT',
          body: { kind, ref: of, priceMinor, goingMinor },
        }),
      )) === undefined
    )
      await load()
  }
  const protocols = computed(() => rows.value?.filter((row) => row.kind === 'protocol') ?? [])
  const addOns = computed(() => rows.value?.filter((row) => row.kind === 'add-on') ?? [])
  /** One price for all of it against one by one; undefined until everything that is chosen has a price. */
  function offerOf({ protocol, addOns: wanted, included }: OfferWish): Offers | undefined {
    const base = protocols.value.find((row) => row.ref === protocol)
    const chosen = addOns.value.filter((row) => wanted.includes(row.ref))
    const minor = minorTyped(included, currency())
    if (
      !base?.priceMinor ||
      chosen.length === 0 ||
      chosen.some((row) => !row.priceMinor) ||
      typeof minor !== 'number'
    )
      return undefined
    return compareOffers(
      { priceMinor: base.priceMinor, costMinor: base.costMinor },
      chosen.map((row) => ({ priceMinor: row.priceMinor!, costMinor: row.costMinor })),
      minor,
    )
  }
  return { rows, trouble, load, saveRate, savePrice, protocols, addOns, offerOf }
}
