import { z } from 'zod'
import { Product, Device } from '../catalog/model'
import { ProtocolVersion, type Course, type Step } from '../protocol/model'
import { isBundle, jsonPath, readBundle, stepFaults, type BundleFault } from './bundle'

/** A protocol as an open file, with what of the shelf it names, so that another salon can read it. */
export const Card = z.strictObject({
  format: z.literal('zen-ladder/protocol'),
  version: z.literal(1),
  protocol: ProtocolVersion.omit({ id: true, protocolId: true }),
  products: z.array(Product),
  devices: z.array(Device),
})
export type Card = z.infer<typeof Card>
export type CardRead =
  | { readonly ok: true; readonly card: Card }
  | { readonly ok: false; readonly faults: readonly BundleFault[] }

/** Published to docs/formats. */
export const cardSchema = () => z.toJSONSchema(Card, { target: 'draft-2020-12', io: 'input' })

/** Products and devices that steps name anywhere: as they are, in a choice, in another way. */
export const namedIn = (steps: readonly Step[]) => ({
  products: new Set(
    steps
      .flatMap((step) => [
        step.product,
        ...step.segments.map((part) => part.product),
        ...(step.otherPicks ?? []),
        ...(step.choice?.options.map((option) => option.pick) ?? []),
        ...(step.variants?.map((variant) => variant.product) ?? []),
      ])
      .flatMap((pick) => pick?.productId ?? []),
  ),
  devices: new Set(
    steps
      .flatMap((step) => [
        step.deviceId,
        ...(step.variants?.map((variant) => variant.deviceId) ?? []),
      ])
      .flatMap((id) => id ?? []),
  ),
})

/** A course without the card that follows it, which is one of its own salon. */
export const withoutNext = ({ next: _, ...course }: Course): Course => course

/** A version as a file. The card that follows its course is left out. */
export function cardOf(
  { id: _id, protocolId: _protocol, course, ...protocol }: ProtocolVersion,
  shelf: { readonly products: readonly Product[]; readonly devices: readonly Device[] },
): Card {
  const { products, devices } = namedIn(protocol.steps)
  return {
    format: 'zen-ladder/protocol',
    version: 1,
    protocol: { ...protocol, ...(course ? { course: withoutNext(course) } : {}) },
    products: shelf.products.filter((product) => products.has(product.id)),
    devices: shelf.devices.filter((device) => devices.has(device.id)),
  }
}

/** Reads a protocol file from parsed JSON, or a bundle's card; faults name their JSON path and say what is wrong. */
export function readCard(value: unknown): CardRead {
  if (isBundle(value)) {
    const read = readBundle(value)
    return read.ok ? { ok: true, card: cardOf(read.bundle.protocol, read.bundle.shelf) } : read
  }
  const parsed = Card.safeParse(value)
  if (!parsed.success)
    return {
      ok: false,
      faults: parsed.error.issues.map((issue) => ({
        path: jsonPath(issue.path),
        says: issue.message,
      })),
    }
  const { steps } = parsed.data.protocol
  const faults = steps.flatMap((_, at) => stepFaults(steps, at))
  return faults.length > 0 ? { ok: false, faults } : { ok: true, card: parsed.data }
}

/** What a file names and this shelf does not have, by name. */
export function missingFrom(
  card: Card,
  shelf: {
    readonly products: readonly { readonly id: string }[]
    readonly devices: readonly { readonly id: string }[]
  },
): string[] {
  const { products, devices } = namedIn(card.protocol.steps)
  const nameOf = (id: string) =>
    card.products.find((product) => product.id === id)?.name ??
    card.devices.find((device) => device.id === id)?.name ??
    id
  return [
    ...[...products].filter((id) => !shelf.products.some((product) => product.id === id)),
    ...[...devices].filter((id) => !shelf.devices.some((device) => device.id === id)),
  ].map(nameOf)
}
