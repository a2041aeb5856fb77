import { type Rates, compareOffers, type Offers } from '#core/costing'
import { call, type Reply } from '~/support/api'
import { minorTyped } from '~/support/money'

/** What one protocol or enhancement costs and is sold for, as the server adds it up. */
export type PriceRow = Reply<'/api/shelf/prices'>[number]
export interface OfferWish {
  readonly protocol: string
  readonly addOns: readonly string[]
  readonly included: string
}

/** The price list: costs from the server, prices and rates saved as they are typed. */
export function usePrices(rates: () => Rates, currency: () => string) {
  const rows = shallowRef<PriceRow[]>()
  const { trouble, attempt } = useAttempt()
  const load = () =>
    attempt(async () => {
      rows.value = await call('/api/shelf/prices')
    })
  const saveRate = rateSaver(rates, currency, { trouble, attempt })
  const protocols = computed(() => rows.value?.filter((row) => row.kind === 'protocol') ?? [])
  const addOns = computed(() => rows.value?.filter((row) => row.kind === 'add-on') ?? [])

  async function savePrice(row: PriceRow, key: 'priceMinor' | 'goingMinor', typed: string) {
    const minor = minorTyped(typed, currency())
    if (minor === undefined) {
      trouble.value = `${row.name}: “${typed}” is not a price.`
      return
    }
    const isRow = (other: PriceRow) => other.kind === row.kind && other.ref === row.ref
    rows.value = rows.value?.map((other) => (isRow(other) ? { ...other, [key]: minor } : other))
    const { kind, ref: of, priceMinor, goingMinor } = rows.value!.find(isRow)!
    const body = { kind, ref: of, priceMinor, goingMinor }
    const saved = await attempt(async () => {
      await call('/api/shelf/prices', { method: 'put', body })
      return true
    })
    if (!saved) await load()
  }
  /** One price for all of it against one by one; undefined until everything that is chosen has a price. */
  function offerOf({ protocol, addOns: wanted, included }: OfferWish): Offers | undefined {
    const base = protocols.value.find((row) => row.ref === protocol)
    const chosen = addOns.value.filter((row) => wanted.includes(row.ref))
    const minor = minorTyped(included, currency())
    if (!base?.priceMinor || chosen.length === 0 || typeof minor !== 'number') return undefined
    if (chosen.some((row) => !row.priceMinor)) return undefined
    return compareOffers(offered(base), chosen.map(offered), minor)
  }
  return { rows, trouble, load, saveRate, savePrice, protocols, addOns, offerOf }
}

const offered = ({ priceMinor, costMinor }: PriceRow) => ({ priceMinor: priceMinor!, costMinor })

type Attempting = Pick<ReturnType<typeof useAttempt>, 'trouble' | 'attempt'>

/** Saves a rate as it is typed; a second figure typed before the first is saved builds on it. */
function rateSaver(rates: () => Rates, currency: () => string, { trouble, attempt }: Attempting) {
  const own = shallowRef<Rates>(rates())
  const isPlain = (key: keyof Rates) => key === 'marginPercent' || key === 'turnoverMinutes'
  return async (key: keyof Rates, typed: string): Promise<boolean> => {
    const value = isPlain(key) ? Number(typed) : minorTyped(typed, currency())
    if (typeof value !== 'number' || !Number.isFinite(value)) {
      trouble.value = `“${typed}” is not a figure.`
      return false
    }
    own.value = { ...own.value, [key]: value }
    const body = own.value
    const saved = await attempt(async () => {
      await call('/api/shelf/rates', { method: 'put', body })
      return true
    })
    return saved ?? false
  }
}
