import { describe, expect, test } from 'vitest'
import { readClients } from '#core/csv'
import { isVcard, VCARD_COLUMNS, vcardTable } from './vcards'

const card = (...lines: string[]) => ['BEGIN:VCARD', ...lines, 'END:VCARD'].join('\r\n')
const read = (text: string) =>
  readClients(vcardTable(text), { columns: VCARD_COLUMNS, monthFirst: false, today: '2026-11-28' })

describe('vCards', () => {
  // Shapes after the examples of RFC 2426 (3.0) and RFC 6350 (4.0), with invented names.
  test('of version 3.0 and 4.0 are read side by side, with folded lines and escaped commas', () => {
    const text = [
      card(
        ...['VERSION:3.0', 'N:Quill;Ada;;;', 'FN:Ada Quill', 'BDAY:1988-05-14'],
        ...['TEL;TYPE=CELL:+000 555 1', 'ADR;TYPE=HOME:;;3 Ropewalk;Orrin Vey;;;'],
      ),
      card(
        ...['VERSION:4.0', 'FN:José Núñez\\, der Ältere und', '  noch länger', 'BDAY:19070228'],
        ...['TEL;VALUE=uri;TYPE=voice:tel:+000-555-2', 'EMAIL:jose@own.example'],
      ),
    ].join('\r\n')
    expect(isVcard(text)).toBe(true)
    expect(read(text)).toEqual({
      rows: [
        {
          name: 'Ada Quill',
          bornOn: '1988-05-14',
          phone: '+000 555 1',
          email: '',
          address: '3 Ropewalk, Orrin Vey',
        },
        {
          name: 'José Núñez, der Ältere und noch länger',
          bornOn: '1907-02-28',
          phone: '+000-555-2',
          email: 'jose@own.example',
          address: '',
        },
      ],
      faults: [],
    })
  })
  test('one alone, and one without a written name', () => {
    const text = card('VERSION:3.0', 'N:Quill;Ada;;;', 'BDAY:1988-05-14')
    expect(read(text).rows.map(({ name }) => name)).toEqual(['Ada Quill'])
  })
  test('without a birthday, or with one that has no year, are faults of their row', () => {
    const text = [
      card('VERSION:4.0', 'FN:No Day'),
      card('VERSION:4.0', 'FN:No Year', 'BDAY:--0514'),
    ].join('\r\n')
    const { rows, faults } = read(text)
    expect([rows.length, faults.map(({ field }) => field)]).toEqual([0, ['bornOn', 'bornOn']])
  })
  test('of version 2.1 are refused by name, and so is what is none', () => {
    expect(() => vcardTable(card('VERSION:2.1', 'N:Quill;Ada'))).toThrow('version 2.1')
    expect(() => vcardTable('BEGIN:VCARD\r\nnonsense')).toThrow()
    expect(isVcard('name,born')).toBe(false)
  })
})
