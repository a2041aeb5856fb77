import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { clientsCsv, clientTable, columnsMissing, guessColumns, readClients } from './clients'

const setting = { monthFirst: false, today: '2026-11-28' }
const read = (text: string, more: Partial<typeof setting> = {}) => {
  const table = clientTable(text)
  return readClients(table, { ...setting, ...more, columns: guessColumns(table.header) })
}

describe('columns', () => {
  test.each([
    [
      ['First Name', 'Last Name', 'DOB', 'Mobile', 'E-Mail'],
      ['givenName', 'familyName', 'bornOn', 'phone', 'email'],
    ],
    [
      ['client_name', 'Birthday', 'phone', 'phone 2', 'Notes'],
      ['name', 'bornOn', 'phone', null, null],
    ],
    [
      ['Vorname', 'Nachname', 'Geburtsdatum', 'Telefon'],
      ['givenName', 'familyName', 'bornOn', 'phone'],
    ],
  ])('%j are guessed', (header, fields) => expect(guessColumns(header)).toEqual(fields))
  test('have to hold a name and a birthday, each field once', () => {
    expect(columnsMissing(['phone', 'bornOn'])).toContain('name')
    expect(columnsMissing(['name', null])).toContain('birthday')
    expect(columnsMissing(['name', 'name', 'bornOn'])).toContain('Two columns')
    expect(columnsMissing(['familyName', 'bornOn'])).toBeUndefined()
  })
})

describe('a table of clients', () => {
  test('is read with names in one column or two, dates as they are written, signs of any script', () => {
    const text =
      '\uFEFFName;Birthday;Phone\r\nJosé Núñez;14.5.1988;+000 1\r\n"ليلى; 🌊";1907-02-28;\r\n陽子;29.2.2000;'
    expect(read(text).rows).toMatchObject([
      { name: 'José Núñez', bornOn: '1988-05-14', phone: '+000 1' },
      { name: 'ليلى; 🌊', bornOn: '1907-02-28' },
      { name: '陽子', bornOn: '2000-02-29' },
    ])
  })
  test.each([
    ['Ada;;', 'bornOn', 'missing'],
    [';1988-05-14;', 'name', 'missing'],
    ['Ada;29.2.1987;', 'bornOn', 'no day'],
    ['Ada;2027-01-01;', 'bornOn', 'alive'],
    ['Ada;1899-12-31;', 'bornOn', 'alive'],
    [`${'x'.repeat(121)};1988-05-14;`, 'name', '120'],
    ['Ada;1988-05-14;no mail', 'email', 'no e-mail'],
  ])('%j is a fault of its row, with the column', (line, field, says) => {
    const { rows, faults } = read(`name;born;email\nGood;1988-05-14;\n${line}`)
    expect(rows).toHaveLength(1)
    expect(faults).toMatchObject([{ row: 3, field }])
    expect(faults[0]!.says).toContain(says)
  })
  test('does not take the same person twice', () => {
    const { rows, faults } = read('name;born\nJosé;1988-05-14\nJOSE;14.5.1988\nJosé;1988-05-15')
    expect([rows.length, faults]).toEqual([
      2,
      [{ row: 3, field: 'name', says: 'The same name and birthday as in row 2.' }],
    ])
  })
  test('with the month first reads strokes so', () => {
    expect(read('name,born\nAda,5/14/1988', { monthFirst: true }).rows[0]?.bornOn).toBe(
      '1988-05-14',
    )
  })
  test('written out is read back, by us and by another reader', () => {
    const cell = fc.string({ unit: 'grapheme', maxLength: 30 })
    const trimmed = cell.map((text) => text.trim().replaceAll(/\s+/g, ' '))
    // A spreadsheet's quote at the beginning is taken away again, and so is none of the name.
    const name = trimmed.filter((text) => text.length >= 2 && !text.startsWith("'"))
    fc.assert(
      fc.property(
        name,
        fc.date({ min: new Date('1900-01-02'), max: new Date('2026-11-01'), noInvalidDate: true }),
        (given, date) => {
          const row = {
            name: given,
            bornOn: date.toISOString().slice(0, 10),
            phone: '+000 55',
            email: '',
            address: '',
          }
          const text = clientsCsv([row])
          expect(read(text).rows).toEqual([row])
          const [header, line] = parse(text, { relax_column_count: true }) as string[][]
          expect([header!.length, line!.length]).toEqual([5, 5])
        },
      ),
    )
  })
})
