import fc from 'fast-check'
import { z } from 'zod'

/** The part of JSON Schema (2020-12) that Zod writes. */
interface Schema {
  readonly type?: string
  readonly enum?: readonly unknown[]
  readonly const?: unknown
  readonly anyOf?: readonly Schema[]
  readonly oneOf?: readonly Schema[]
  readonly allOf?: readonly Schema[]
  readonly properties?: Readonly<Record<string, Schema>>
  readonly required?: readonly string[]
  readonly additionalProperties?: Schema | boolean
  readonly propertyNames?: Schema
  readonly items?: Schema
  readonly prefixItems?: readonly Schema[]
  readonly minItems?: number
  readonly maxItems?: number
  readonly minLength?: number
  readonly maxLength?: number
  readonly minimum?: number
  readonly maximum?: number
  readonly exclusiveMinimum?: number
  readonly format?: string
  readonly pattern?: string
  readonly $ref?: string
  readonly $defs?: Readonly<Record<string, Schema>>
}

/** Longest list and text that is drawn where the schema would take more: a request stays small. */
const MOST_ITEMS = 3
const MOST_LETTERS = 12
const DEEPEST = 6

const FORMATS: Readonly<Record<string, fc.Arbitrary<string>>> = {
  uuid: fc.uuid(),
  date: fc
    .date({ min: new Date('1950-01-01'), max: new Date('2040-01-01'), noInvalidDate: true })
    .map((date) => date.toISOString().slice(0, 10)),
  time: fc
    .tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 59 }))
    .map((parts) => parts.map((part) => String(part).padStart(2, '0')).join(':')),
  email: fc.emailAddress(),
}

function text({ format, pattern, minLength = 0, maxLength = MOST_LETTERS }: Schema) {
  const known = format === undefined ? undefined : FORMATS[format]
  if (known) return known
  if (pattern !== undefined) return fc.stringMatching(new RegExp(pattern), { size: 'small' })
  return fc.string({
    minLength,
    maxLength: Math.max(minLength, Math.min(maxLength, MOST_LETTERS)),
    unit: 'grapheme-ascii',
  })
}

function whole({ minimum = -1000, maximum = 100_000 }: Schema): fc.Arbitrary<number> {
  const least = Math.max(minimum, -1_000_000)
  return fc.integer({ min: least, max: Math.max(least, Math.min(maximum, 1_000_000)) })
}

const figure = ({ minimum, exclusiveMinimum, maximum = 1000 }: Schema): fc.Arbitrary<number> =>
  fc.double({
    min: minimum ?? (exclusiveMinimum === undefined ? -1000 : exclusiveMinimum + 0.001),
    max: Math.min(maximum, 1e6),
    noNaN: true,
  })

/** Draws what a schema of Zod's takes, near enough: refinements are not in it, so that some of what is drawn is refused. */
export function takenBy(schema: z.ZodType): fc.Arbitrary<unknown> {
  const root = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Schema
  return drawn(root, root, 0)
}

function drawn(schema: Schema, root: Schema, depth: number): fc.Arbitrary<unknown> {
  const inner = (one: Schema) => drawn(one, root, depth + 1)
  if (schema.$ref !== undefined) return inner(pointed(schema.$ref, root))
  if (schema.const !== undefined) return fc.constant(schema.const)
  if (schema.enum) return fc.constantFrom(...schema.enum)
  const choices = schema.anyOf ?? schema.oneOf
  if (choices) return fc.oneof(...choices.map(inner))
  if (schema.allOf) return inner(schema.allOf[0]!)
  const draw = BY_TYPE[schema.type ?? '']
  return draw ? draw(schema, inner, depth) : fc.jsonValue({ maxDepth: 2 })
}

type Inner = (schema: Schema) => fc.Arbitrary<unknown>
type Draw = (schema: Schema, inner: Inner, depth: number) => fc.Arbitrary<unknown>

const BY_TYPE: Readonly<Record<string, Draw>> = {
  object: (schema, inner, depth) => object(schema, inner, depth),
  array: (schema, inner, depth) => list(schema, inner, depth),
  string: text,
  integer: whole,
  number: figure,
  boolean: () => fc.boolean(),
  null: () => fc.constant(null),
}

function list(schema: Schema, inner: Inner, depth: number): fc.Arbitrary<unknown> {
  if (schema.prefixItems) return fc.tuple(...schema.prefixItems.map(inner))
  const { minItems = 0, maxItems = MOST_ITEMS } = schema
  const most = depth > DEEPEST ? minItems : Math.min(maxItems, MOST_ITEMS)
  return fc.array(inner(schema.items ?? {}), {
    minLength: minItems,
    maxLength: Math.max(minItems, most),
  })
}

function object(schema: Schema, inner: Inner, depth: number): fc.Arbitrary<unknown> {
  const { properties, required = [], additionalProperties, propertyNames } = schema
  if (!properties)
    return fc.dictionary(
      inner(propertyNames ?? { type: 'string' }).map(String),
      inner(typeof additionalProperties === 'object' ? additionalProperties : {}),
      { maxKeys: depth > DEEPEST ? 0 : MOST_ITEMS, noNullPrototype: true },
    )
  const kept = Object.entries(properties).filter(
    ([name]) => depth <= DEEPEST || required.includes(name),
  )
  return fc.record(Object.fromEntries(kept.map(([name, one]) => [name, inner(one)])), {
    requiredKeys: required.filter((name) => name in properties),
    noNullPrototype: true,
  })
}

function pointed(ref: string, root: Schema): Schema {
  if (ref === '#') return root
  const name = ref.replace('#/$defs/', '')
  const found = root.$defs?.[name]
  if (!found) throw new Error(`The schema points to ${ref}, which it does not hold.`)
  return found
}
