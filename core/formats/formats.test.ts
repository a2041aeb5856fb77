import type { HomePlan } from '../homecare'
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { ALL_NO, client, yes } from '../../tests/situations'
import type { Bundle } from './bundle'
import {
  bundleSchema,
  cardOf,
  check,
  intakeOf,
  intakeSchema,
  namedIn,
  readBundle,
  readCard,
  readIntake,
} from '.'

const EXAMPLE = 'docs/formats/example.bundle.json'
const example = () => JSON.parse(readFileSync(EXAMPLE, 'utf8')) as Bundle
let folder = ''
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zen-cli-'))
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const zen = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'cli/zen.ts', ...args], { encoding: 'utf8' })
function file(value: unknown): string {
  const path = join(folder, `${Math.abs(JSON.stringify(value).length)}.json`)
  writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value))
  return path
}

describe('the published schema', () => {
  const schema = JSON.parse(readFileSync('docs/formats/bundle.schema.json', 'utf8')) as object
  test('is the one the models give now', () =>
    expect(schema).toEqual(JSON.parse(JSON.stringify(bundleSchema()))))
  test('accepts the example and refuses a broken one, judged by Ajv', () => {
    // Formats (date, uuid) are the models' business; the schema's structure is what is judged here.
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema)
    expect(validate(example()), JSON.stringify(validate.errors)).toBe(true)
    expect(
      validate({
        ...example(),
        visit: { date: '2026-11-24', daytime: true, slotMinutes: 'an hour' },
      }),
    ).toBe(false)
    expect(validate({ ...example(), surprise: 1 })).toBe(false)
  })
})

describe('reading a bundle', () => {
  test('faults name their JSON path', () => {
    const broken = example() as unknown as {
      protocol: { steps: { zones: unknown; product?: { productId: string } }[] }
    }
    broken.protocol.steps[3]!.zones = ['elbow']
    const read = readBundle(broken)
    expect(read.ok === false && read.faults[0]!.path).toBe('$.protocol.steps[3].zones[0]')
  })
  test('references that lead nowhere are faults', () => {
    const broken = example() as unknown as {
      protocol: { steps: { product?: { productId: string }; closes?: string }[] }
    }
    broken.protocol.steps[0]!.product!.productId = 'nothing'
    broken.protocol.steps[1]!.closes = 'nobody'
    const read = readBundle(broken)
    expect(read.ok === false && read.faults.map((fault) => fault.path)).toEqual([
      '$.protocol.steps[0].product.productId',
      '$.protocol.steps[1].closes',
    ])
  })
  test('its card is read as a protocol file is, with what of the shelf it names', () => {
    const bundle = example()
    const read = readCard(bundle)
    expect(read.ok && read.card.protocol.name).toBe(bundle.protocol.name)
    expect(read.ok && cardOf(bundle.protocol, bundle.shelf)).toEqual(read.ok && read.card)
    const names = namedIn(bundle.protocol.steps).products
    expect(read.ok && new Set(read.card.products.map(({ id }) => id))).toEqual(names)
    const refused = readCard({ ...bundle, client: undefined })
    expect(refused.ok === false && refused.faults[0]!.path).toBe('$.client')
  })
  test('what a salon has set goes along, of age too', () => {
    const settings = { adviceOff: [], windowDays: {}, majority: 17, guardianStays: true }
    const read = readBundle({ ...example(), settings })
    expect(read.ok && read.bundle.settings).toEqual(settings)
    expect(readBundle({ ...example(), settings: { ...settings, majority: 15 } }).ok).toBe(false)
  })
  test('check reports rules and order without changing anything', () => {
    const read = readBundle(example())
    const report = read.ok ? check(read.bundle) : undefined
    expect(report!.rules.map((finding) => finding.ruleId)).toContain('B-pineapple')
    expect(report!.lint.filter((finding) => finding.level === 'wrong')).toEqual([])
  })
})

describe('npm run -s zen', () => {
  test('plan prints segments with times, zones, hands and presence, reasons with rule ids, and minutes', () => {
    const plan = JSON.parse(
      execFileSync(process.execPath, ['--import', 'tsx', 'cli/zen.ts', 'plan', EXAMPLE], {
        encoding: 'utf8',
      }),
    ) as {
      totalMinutes: number
      segments: object[]
      changes: { why: { ruleId: string }[] }[]
      status: string
    }
    expect(plan.status).toBe('ready')
    expect(plan.totalMinutes).toBeGreaterThan(60)
    expect(plan.segments[0]).toMatchObject({
      startS: 0,
      hands: true,
      presence: 'away',
      zones: expect.arrayContaining(['under-eye-left', 'lips']) as string[],
    })
    expect(plan.changes.flatMap((change) => change.why.map((why) => why.ruleId))).toEqual(
      expect.arrayContaining(['B-pineapple', 'B-salicylates']),
    )
  })
  test('home prints the plan for home after it: nothing strong where nobody asked, days and pauses', () => {
    const { status, stdout } = zen('home', EXAMPLE)
    expect(status).toBe(0)
    const plan = JSON.parse(stdout) as HomePlan
    expect(plan.lines.at(-1)!.role).toBe('sun')
    expect(plan.lines.filter(({ pace }) => pace)).toEqual([])
    expect(plan.days).toHaveLength(35)
    expect(plan.pauses.map(({ what }) => what)).toContain('sun')
  })
  test('check ends with 4 when a rule speaks', () => expect(zen('check', EXAMPLE).status).toBe(4))
  test.each([
    ['no file', ['plan', '/nowhere.json'], 1, 'cannot be read'],
    ['no command', [], 2, 'Usage'],
    ['another command', ['dance', EXAMPLE], 2, 'Usage'],
  ])('%s', (_name, args, status, words) => {
    const result = zen(...args)
    expect([result.status, result.stderr.includes(words)]).toEqual([status, true])
  })
  test('bad input: not JSON, and a wrong field with its path and a sentence', () => {
    expect(zen('plan', file('{ not json')).stderr).toContain('this is not JSON')
    const result = zen('plan', file({ ...example(), version: 2 }))
    expect([result.status, result.stdout]).toEqual([1, ''])
    expect(result.stderr).toContain('$.version:')
  })
  test('no plan possible ends with 3 and says why', () => {
    const ill = example() as unknown as { client: { facts: { code: string; answer: string }[] } }
    ill.client.facts.find((fact) => fact.code === 'infection')!.answer = 'yes'
    const result = zen('plan', file(ill))
    expect([result.status, result.stderr.includes('Cold sore')]).toEqual([3, true])
  })
})

describe('an intake as a file', () => {
  const schema = JSON.parse(readFileSync('docs/formats/intake.schema.json', 'utf8')) as object
  const intake = () =>
    JSON.parse(readFileSync('docs/formats/example.intake.json', 'utf8')) as {
      client: object
      facts: object[]
    }
  test('the published schema is the one the models give; Ajv takes the example and refuses a broken one', () => {
    expect(schema).toEqual(JSON.parse(JSON.stringify(intakeSchema())))
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema)
    expect(validate(intake()), JSON.stringify(validate.errors)).toBe(true)
    expect([
      validate({ ...intake(), version: 2 }),
      validate({ ...intake(), extra: 1 }),
      validate({
        ...intake(),
        facts: [{ code: 'sunburn', answer: 'perhaps', askedOn: '2026-11-24' }],
      }),
    ]).toEqual([false, false, false])
  })
  test('what goes out comes in unchanged', () => {
    const facts = [...ALL_NO, yes('isotretinoin', { on: '2026-05-01', note: 'stopped' })]
    const { name, bornOn, concerns } = client()
    const out = JSON.parse(
      JSON.stringify(intakeOf({ name, bornOn, concerns }, facts, '2026-11-24')),
    ) as unknown
    expect(readIntake(out)).toEqual({ ok: true, intake: out })
  })
  test.each([
    ['another format', { format: 'something-else' }, '$.format'],
    [
      'a concern that is none',
      { client: { name: 'A', bornOn: '1990-01-01', concerns: ['sparkle'], notes: [] } },
      '$.client.concerns[0]',
    ],
    [
      'a month that is none',
      { facts: [{ code: 'sunburn', answer: 'yes', askedOn: '2026-13-01' }] },
      '$.facts[0].askedOn',
    ],
    [
      'no name',
      { client: { name: '', bornOn: '1990-01-01', concerns: [], notes: [] } },
      '$.client.name',
    ],
  ] as const)('%s is named with its path', (_name, wrong, path) => {
    const read = readIntake({ ...intake(), ...wrong })
    expect(read.ok === false && read.faults.map((fault) => fault.path)).toEqual([path])
  })
  test.each([[null], ['text'], [[]], [42], [undefined]])(
    '%j is no intake, said without falling over',
    (value) => {
      const read = readIntake(value)
      expect(read.ok === false && read.faults.length).toBeGreaterThan(0)
    },
  )
})
