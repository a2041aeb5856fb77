/** Decimals of a currency's major unit (ISO 4217, as the platform knows it): 2 for EUR, 0 for JPY. */
export const minorDigits = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
    .maximumFractionDigits ?? 2

/** The least price that leaves a margin (percent of the price), in whole minor units, rounded up. Throws RangeError for 100 % and above. */
export function leastPrice(costMinor: number, marginPercent: number): number {
  if (!(marginPercent >= 0 && marginPercent < 100))
    throw new RangeError('A margin lies between 0 and below 100 %.')
  return Math.ceil((costMinor * 100) / (100 - marginPercent) - 1e-9)
}

export interface Earned {
  readonly profitMinor: number
  /** Percent of the price, to a tenth; undefined for a price of zero. */ readonly marginPercent:
    number | undefined
  /** What a minute of the room earns before its time is paid: price less goods, over its minutes, to a tenth of a minor unit. */ readonly perMinuteMinor:
    number | undefined
}
/** What a price leaves. `minutes`: of the room, turnover included. */
export function earnedBy(
  priceMinor: number,
  cost: { readonly totalMinor: number; readonly goodsMinor: number },
  minutes: number,
): Earned {
  const profitMinor = priceMinor - cost.totalMinor
  return {
    profitMinor,
    marginPercent: priceMinor > 0 ? Math.round((profitMinor / priceMinor) * 1000) / 10 : undefined,
    perMinuteMinor:
      minutes > 0 ? Math.round(((priceMinor - cost.goodsMinor) / minutes) * 10) / 10 : undefined,
  }
}

export interface AddOn {
  readonly goodsMinor: number
  /** Seconds by which the visit is longer with it: none when it hangs in a gap. */ readonly extraS: number
  readonly costMinor: number
  /** The price at which it neither earns nor costs. */ readonly breakEvenMinor: number
  readonly leastMinor: number
}
/** What an enhancement must bring: its goods, and only those minutes that the visit becomes longer by. */
export function addOnOf(
  goodsMinor: number,
  extraS: number,
  rates: {
    readonly practitionerPerHourMinor: number
    readonly roomPerHourMinor: number
    readonly marginPercent: number
  },
): AddOn {
  const costMinor =
    goodsMinor +
    Math.ceil(
      (Math.max(0, extraS) * (rates.practitionerPerHourMinor + rates.roomPerHourMinor)) / 3600 -
        1e-9,
    )
  return {
    goodsMinor,
    extraS: Math.max(0, extraS),
    costMinor,
    breakEvenMinor: costMinor,
    leastMinor: leastPrice(costMinor, rates.marginPercent),
  }
}

export interface Offers {
  /** Everything bought one by one, by a client who takes all. */
  readonly oneByOneMinor: number
  readonly oneByOneProfitMinor: number
  readonly includedProfitMinor: number
  /** What a client saves who takes the set. */
  readonly savedMinor: number
  /** Share of clients (0 … 1) who would have to buy the enhancements one by one for it to earn as much as including them; undefined: no share does. */
  readonly sameAt: number | undefined
}
/** Enhancements included in one price against priced one by one. */
export function compareOffers(
  base: { readonly priceMinor: number; readonly costMinor: number },
  addOns: readonly { readonly priceMinor: number; readonly costMinor: number }[],
  includedMinor: number,
): Offers {
  const price = addOns.reduce((sum, on) => sum + on.priceMinor, 0)
  const cost = addOns.reduce((sum, on) => sum + on.costMinor, 0)
  const oneByOneMinor = base.priceMinor + price
  const includedProfitMinor = includedMinor - base.costMinor - cost
  const share =
    price === cost
      ? undefined
      : (includedProfitMinor - (base.priceMinor - base.costMinor)) / (price - cost)
  return {
    oneByOneMinor,
    oneByOneProfitMinor: oneByOneMinor - base.costMinor - cost,
    includedProfitMinor,
    savedMinor: oneByOneMinor - includedMinor,
    sameAt:
      share === undefined || share < 0 || share > 1 ? undefined : Math.round(share * 1000) / 1000,
  }
}
