import { parse } from 'csv-parse/sync'
import { describe, expect, test } from 'vitest'
import { batchesOf, SHELF, make } from '../../tests/fixtures'
import type { Product } from '../catalog/model'
import { mergeRow, readShelfCsv, SHELF_COLUMNS, shelfCsv } from '.'

const setting = { minorDigits: 2, today: '2026-11-25' }
const products = SHELF.products
  .filter((product) => !product.recipe)
  .map((product): Product => ({ ...product, stock: 0 }))
const withBatches = products.map((product) => ({
  product,
  batch: batchesOf(product.id)[0],
}))
const read = (text: string) => readShelfCsv(text, setting)
const lines = (...rows: string[]) => rows.join('\r\n')

describe('out and in again', () => {
  const text = shelfCsv(withBatches, 2)
  test('a reference parser (csv-parse, RFC 4180) reads the same table', () => {
    const table = parse(text, { columns: true, bom: true }) as Record<string, string>[]
    expect(table).toHaveLength(products.length)
    expect(Object.keys(table[0]!)).toEqual([...SHELF_COLUMNS])
    expect(table.map((row) => row.name)).toEqual(products.map((product) => product.name))
    for (const [at, row] of table.entries()) expect(row.inci).toBe(products[at]!.inci ?? '')
    expect(text.split('\r\n').length).toBeGreaterThan(products.length)
  })
  test('taken in again over itself nothing changes', () => {
    const { rows, faults, unknown, count } = read(text)
    expect([faults, unknown, count]).toEqual([[], [], products.length])
    for (const [at, row] of rows.entries()) {
      expect(mergeRow(products[at], row)).toEqual(products[at])
      expect(row.batch).toEqual(
        withBatches[at]!.batch && {
          ...withBatches[at]!.batch!,
          id: expect.stringContaining(products[at]!.id),
        },
      )
    }
  })
  test('commas, quotes, line ends and formulas survive, and a spreadsheet runs none of them', () => {
    const odd = make({
      id: 'odd',
      name: '=cmd|"x"!A1',
      kind: 'gel',
      uses: [],
      note: 'one, "two"\r\nthree',
      inci: '-Aqua, Glycerin',
    })
    const csv = shelfCsv([{ product: odd }], 2)
    expect((parse(csv, { columns: true }) as Record<string, string>[])[0]).toMatchObject({
      name: '\'=cmd|"x"!A1',
      note: 'one, "two"\r\nthree',
      inci: "'-Aqua, Glycerin",
    })
    expect(read(csv).rows[0]!.product).toMatchObject({
      name: odd.name,
      note: odd.note,
      inci: odd.inci,
    })
  })
  test('columns may be few, in any order, with a byte order mark or semicolons between', () => {
    expect(read('\uFEFFKind,Name\r\ngel,Plain Gel\r\n').rows[0]!.product).toMatchObject({
      id: 'plain-gel',
      name: 'Plain Gel',
      kind: 'gel',
      vehicle: 'water',
      uses: [],
    })
    expect(read('kind;name;ph\r\ngel;Plain Gel;5,5\r\n').rows[0]!.product.pH).toBe(5.5)
  })
})

describe('what a table cannot say stays as it was', () => {
  const cleanser = products.find((product) => product.id === 'oat-cleanser')!
  test('a price alone changes a price alone', () => {
    const { rows } = read(
      lines(
        'id,name,kind,pack_amount,pack_price',
        'oat-cleanser,Oat Milk Cleanser,cleanser,500,21.50',
      ),
    )
    expect(mergeRow(cleanser, rows[0]!)).toEqual({
      ...cleanser,
      pack: { amount: 500, priceMinor: 2150 },
    })
  })
  test('an emptied cell empties the field; a column left out does not', () => {
    const { rows } = read(lines('id,name,kind,ph', 'oat-cleanser,Oat Milk Cleanser,cleanser,'))
    const merged = mergeRow(cleanser, rows[0]!)
    expect('pH' in merged).toBe(false)
    expect(merged.inci).toBe(cleanser.inci)
  })
  test('a changed use changes the first use only', () => {
    const { rows } = read(
      lines(
        'id,name,kind,use_phase,use_zones,use_dose,apply_min,remove_min,remove_tool',
        'oat-cleanser,Oat Milk Cleanser,cleanser,first-cleanse,face,4 mL,1,1,sponge',
      ),
    )
    const merged = mergeRow(cleanser, rows[0]!)
    expect(merged.uses[0]).toMatchObject({ id: 'first', dose: { amount: 4, unit: 'mL' } })
    expect(merged.uses[1]).toEqual(cleanser.uses[1])
  })
})

describe('bad rows are named by row and column, and the good ones are still read', () => {
  const head =
    'id,name,kind,ph,actives,pack_amount,pack_price,use_phase,use_zones,use_dose,left,best_before,open_skin_use,measure,measure_amount'
  test.each([
    ['a,,gel,,,,,,,,,,,,', 'name'],
    ['a,A,paint,,,,,,,,,,,,', 'kind'],
    ['a,A,gel,acidic,,,,,,,,,,,', 'ph'],
    ['a,A,gel,15,,,,,,,,,,,', 'ph'],
    ['a,A,gel,,lactic,,,,,,,,,,', 'actives'],
    ['a,A,gel,,,30,,,,,,,,,', 'pack_price'],
    ['a,A,gel,,,30,1.234,,,,,,,,', 'pack_price'],
    ['a,A,gel,,,,,mask,moon,,,,,,', 'use_zones'],
    ['a,A,gel,,,,,mask,,,,,,,', 'use_zones'],
    ['a,A,gel,,,,,nap,face,,,,,,', 'use_phase'],
    ['a,A,gel,,,,,mask,face,a lot,,,,,', 'use_dose'],
    ['a,A,gel,,,,,,,,-3,,,,', 'left'],
    ['a,A,gel,,,,,,,,3,31.12.2026,,,', 'best_before'],
    ['a,A,gel,,,,,,,,,,maybe,,', 'open_skin_use'],
    ['a,A,gel,,,,,,,,,,,pump,', 'measure_amount'],
  ])('%s: %s', (line, column) => {
    const { rows, faults } = read(lines(head, 'good,Good,gel,,,,,,,,,,,,', line))
    expect(faults.map((fault) => [fault.row, fault.column])).toEqual([[3, column]])
    expect(faults[0]!.says).toMatch(/\S.*\.$/)
    expect(rows.map((row) => row.product.id)).toEqual(['good'])
  })
  test('twice the same id, a missing column, a column twice, an unknown one', () => {
    expect(read(lines('name,kind', 'A,gel', 'A,gel')).faults).toEqual([
      { row: 3, column: 'id', says: '“a” stands in row 2 already.' },
    ])
    expect(read(lines('name', 'A')).faults[0]).toMatchObject({ row: 1, column: 'kind' })
    expect(read(lines('name,kind,name', 'A,gel,B')).faults[0]).toMatchObject({
      row: 1,
      says: 'This column is there twice.',
    })
    expect(read(lines('name,kind,shade', 'A,gel,red')).unknown).toEqual(['shade'])
    expect(read('')).toMatchObject({ rows: [], count: 0 })
  })
  test('progress is told, and ends at the end', () => {
    const told: number[] = []
    readShelfCsv(lines('name,kind', ...Array.from({ length: 600 }, (_, at) => `P${at},gel`)), {
      ...setting,
      onProgress: (done) => told.push(done),
    })
    expect(told.length).toBeGreaterThan(2)
    expect(told.at(-1)).toBe(600)
    expect(told).toEqual([...told].sort((a, b) => a - b))
  })
})
