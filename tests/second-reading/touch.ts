import type { Device, Product, Shelf } from '#core/catalog'
import type { Segment, Step } from '#core/protocol'

// A second reading of what touches the skin, written apart from the engine: of its files it imports none, types of products and steps aside.

/** One product or tool of a step, on its zones. */
export interface Touch {
  readonly step: Step
  readonly product: Product | undefined
  readonly is: ReadonlySet<string>
  readonly zones: readonly string[]
  /** The ingredient list and the actives in small letters, between single spaces. */
  readonly list: string
  readonly hasList: boolean
  /** Percent of undissociated acid, where its product has one. */
  readonly free: number | undefined
  readonly minutes: number
  readonly leftOn: boolean
}

// Dissociation constants in water (CRC Handbook of Chemistry and Physics, values from memory).
const PKA: Readonly<Record<string, number>> = {
  glycolic: 3.83,
  lactic: 3.86,
  mandelic: 3.41,
  salicylic: 2.97,
  citric: 3.13,
  malic: 3.4,
  tartaric: 2.98,
  pyruvic: 2.49,
}

/** Henderson–Hasselbalch: the share that is not dissociated; out of water all of it counts. */
function freeAcid({ actives, pH, vehicle }: Product): number | undefined {
  const acids = actives.filter(({ name }) => name in PKA)
  if (acids.length === 0) return undefined
  const share = (name: string) =>
    pH === undefined || vehicle !== 'water' ? 1 : 1 / (1 + 10 ** (pH - PKA[name]!))
  return acids.reduce((sum, { name, percent }) => sum + percent * share(name), 0)
}

const keyOf = (pick: { productId: string; useId: string } | undefined) =>
  pick ? `${pick.productId}/${pick.useId}` : ''

/** Everything a step brings to the skin, product by product. */
export function touchesOf(step: Step, { products, devices }: Shelf): Touch[] {
  const picks = [step.product, ...step.segments.map((segment) => segment.product)]
  const keys = [...new Set(picks.map(keyOf))].filter((key) => key !== '')
  const device = devices.find(({ id }) => id === step.deviceId)
  if (keys.length === 0) return [touchOf(step, undefined, step.segments, device)]
  return keys.map((key) => {
    const pick = picks.find((other) => keyOf(other) === key)!
    const own = step.segments.filter((segment) => keyOf(segment.product ?? step.product) === key)
    const product = products.find(({ id }) => id === pick.productId)
    return touchOf(step, product && { product, useId: pick.useId }, own, device)
  })
}

function touchOf(
  step: Step,
  used: { readonly product: Product; readonly useId: string } | undefined,
  segments: readonly Segment[],
  device: Device | undefined,
): Touch {
  const product = used?.product
  const is = propertiesOf(step, used, device)
  const dwells = segments.filter(({ kind }) => kind === 'dwell')
  const puttingOn = segments.filter(({ kind }) => kind === 'apply')
  const isActive = is.has('acid') || is.has('enzyme') || is.has('warming')
  // What acts, acts from the first touch.
  const worked = [...dwells, ...(dwells.length === 0 || isActive ? puttingOn : [])]
  const lastOn = step.segments.findLastIndex(
    (segment) =>
      segments.includes(segment) && segment.kind !== 'remove' && segment.kind !== 'prepare',
  )
  return {
    step,
    product,
    is,
    zones: zonesOf(step, segments),
    list: listOf(product),
    hasList: product === undefined || product.inci !== undefined,
    free: product && freeAcid(product),
    minutes: worked.reduce((sum, { usualS }) => sum + usualS, 0) / 60,
    leftOn: !step.segments.slice(lastOn + 1).some(({ kind }) => kind === 'remove'),
  }
}

/** What it is: by product, use, device and step, by its acid and its vehicle, and by how firm the hands are. */
function propertiesOf(
  step: Step,
  used: { readonly product: Product; readonly useId: string } | undefined,
  device: Device | undefined,
): Set<string> {
  const sources = [
    step,
    used?.product,
    used?.product.uses.find(({ id }) => id === used.useId),
    device,
  ]
  const is = new Set<string>(sources.flatMap((source) => source?.properties ?? []))
  if (used && (freeAcid(used.product) ?? 0) >= 0.5) is.add('acid')
  if (used?.product.vehicle === 'alcohol') is.add('flammable')
  if (step.movements) is.delete('firm-pressure')
  if (step.movements?.some(({ pressure }) => pressure === 'firm')) is.add('firm-pressure')
  return is
}

function zonesOf(step: Step, segments: readonly Segment[]): readonly string[] {
  const own = segments.filter(({ kind }) => kind !== 'prepare')
  if (own.length === 0 || own.some(({ zones }) => zones === undefined)) return step.zones
  return step.zones.filter((zone) => own.some(({ zones }) => zones!.includes(zone)))
}

function listOf(product: Product | undefined): string {
  const names = [product?.inci ?? '', ...(product?.actives ?? []).map(({ name }) => name)]
  return ` ${names
    .join(' ')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')} `
}

/** The least rung an acid can stand on: by its free percent and its minutes. */
export function acidRung({ free, minutes, leftOn }: Touch): number {
  if (free === undefined || free <= 3) return free === undefined ? 0 : 1
  if (free <= 7) {
    if (leftOn) return 3
    if (minutes <= 2) return 1
    return minutes <= 10 ? 2 : 3
  }
  if (leftOn) return 5
  const rungs = [
    [7, 2],
    [13, 3],
    [20, 4],
    [26, 5],
  ]
  const at = rungs.findIndex(([percent, most]) => free <= percent! && minutes <= most!)
  return at === -1 ? 5 : at + 1
}

/** The rung of an enzyme by the share of its maker's own minutes, to the half minute. */
export function timedRung({ product, step, minutes }: Touch): number {
  const use = product?.uses.find(({ id }) => id === step.product?.useId)
  const acting = use?.segments.filter(({ kind }) => kind === 'apply' || kind === 'dwell') ?? []
  const usual = acting.reduce((sum, { usualS }) => sum + usualS, 0) / 60
  if (usual === 0) return 0
  const shares = [0.4, 0.6, 0.8, 1]
  const at = shares.findIndex(
    (share) => minutes <= Math.max(0.5, Math.round(usual * share * 2) / 2),
  )
  return at === -1 ? 5 : at + 1
}
