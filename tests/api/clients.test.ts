import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { folded } from '#core/client'
import { withDatabase } from './http'
import { furnishedSalon } from './other-salon'
import { desk } from './people'
import { staffOf } from './staff'

// Clients of a salon: found, written down, corrected, made one, taken in from a file.

const salon = await furnishedSalon()
const { owner } = salon
interface Listed {
  readonly id: string
  readonly name: string
}
const find = async (text: string, more = '') => {
  const path = `/api/clients?find=${encodeURIComponent(text)}${more}`
  return (await owner.ask<{ clients: Listed[]; hasMore: boolean }>('GET', path)).body
}
const namesOf = async (text: string) => (await find(text)).clients.map(({ name }) => name)
async function add(name: string, bornOn = '1988-05-14', more: object = {}) {
  const reply = await owner.ask<Listed>('POST', '/api/clients', { name, bornOn, ...more })
  expect([name, reply.status]).toEqual([name, 201])
  return reply.body.id
}
const record = (id: string) => owner.ask<Record<string, unknown>>('GET', `/api/clients/${id}`)

describe('finding', () => {
  const PEOPLE = [
    'José Núñez-Castellane',
    'Émile Zell',
    'ليلى المنصوري',
    '陽子 中村',
    'Ωmega Łuk',
    '50% _Under\\score',
    '🌊 Wave',
  ]
  beforeAll(async () => {
    for (const [at, name] of PEOPLE.entries())
      await add(name, `19${60 + at}-02-1${at}`, { phone: `+000 555 12${at}${at}` })
    await add('Born In A Leap', '1988-02-29')
    await add('Oldest Ofall', '1907-01-01')
  })
  test.each([
    ['jose', ['José Núñez-Castellane']],
    ['NUNEZ jo', ['José Núñez-Castellane']],
    ['المنص', ['ليلى المنصوري']],
    ['中村', ['陽子 中村']],
    ['luk', ['Ωmega Łuk']],
    ['%', ['50% _Under\\score']],
    ['_', ['50% _Under\\score']],
    ['\\', ['50% _Under\\score']],
    ['🌊', ['🌊 Wave']],
    ['55 1233', ['陽子 中村']],
    ['29.2.1988', ['Born In A Leap']],
    ['1907-01-01', ['Oldest Ofall']],
    ['nobody at all', []],
  ])('%s finds %j', async (text, names) => expect(await namesOf(text)).toEqual(names))
  test('É stands beside E in the list, and the list is the same as a reader of its own sorts it', async () => {
    const names = await namesOf('')
    const sorted = names.toSorted(new Intl.Collator('und').compare)
    expect(names).toEqual(sorted)
  })
  test('a page goes on where the one before ended, whoever was added meanwhile', async () => {
    for (let at = 0; at < 45; at++) await add(`Paged ${String(at).padStart(2, '0')}`)
    const first = await find('paged')
    expect([first.clients.length, first.hasMore]).toEqual([40, true])
    await add('Paged 00 again')
    const last = first.clients.at(-1)!
    const place = `&afterName=${encodeURIComponent(last.name)}&afterId=${last.id}`
    const second = await find('paged', place)
    expect([second.clients.length, second.hasMore]).toEqual([6 - 1, false])
    const ids = [...first.clients, ...second.clients].map(({ id }) => id)
    expect(new Set(ids).size).toBe(45)
  })
  /** Two letters are looked for where a word begins, one letter and more than two anywhere. */
  const isIn = (name: string, word: string) =>
    word.length === 2 ? name.split(' ').some((part) => part.startsWith(word)) : name.includes(word)
  test('finds what a plain reading of every name finds', async () => {
    const all = await withDatabase(
      async (db) =>
        (await db.query<Listed>('SELECT id, name FROM client WHERE salon_id = $1', [salon.id]))
          .rows,
    )
    for (const word of ['a', 'pag', 'ag', 'e', 'wave', 'under', 'o', 'az']) {
      const expected = all.filter(({ name }) => isIn(folded(name), word))
      const found = await find(word)
      const most = Math.min(40, expected.length)
      expect([word, found.clients.length]).toEqual([word, most])
      for (const { name } of found.clients) expect(isIn(folded(name), word)).toBe(true)
    }
  })
  test('shows nobody of another salon, to nobody of another', async () => {
    const theirs = await desk.ask<{ clients: Listed[] }>('GET', '/api/clients?find=nunez')
    expect(theirs.body.clients).toEqual([])
    expect(await namesOf('Wren Castellane')).toEqual([])
  })
})

describe('writing down', () => {
  test.each([
    [{ name: 'A', bornOn: '1988-05-14' }, 'name'],
    [{ name: 'Ada', bornOn: '2999-01-01' }, 'bornOn'],
    [{ name: 'Ada', bornOn: '1899-12-31' }, 'bornOn'],
    [{ name: 'Ada', bornOn: '1988-05-14', email: 'no mail' }, 'email'],
    [{ name: 'Ada', bornOn: '1988-05-14', contact: ['pigeon'] }, 'contact.0'],
    [{ name: 'x'.repeat(200), bornOn: '1988-05-14' }, 'name'],
  ])('%j is refused at its place', async (body, path) => {
    const reply = await owner.ask('POST', '/api/clients', body)
    expect([reply.status, reply.body.path]).toEqual([400, path])
  })
  test('somebody alike is told: the same birthday and a name like it, or the same number', async () => {
    const id = await add('Alike Annabel', '1971-03-03', { phone: '+000 777 1234' })
    const alike = async (query: string) =>
      (await owner.ask<Listed[]>('GET', `/api/clients/alike?${query}`)).body.map((one) => one.id)
    expect(await alike('name=Alike+Anabel&bornOn=1971-03-03')).toContain(id)
    expect(await alike('name=Somebody&phone=0777+1234')).toContain(id)
    expect(await alike('name=alike+ann')).toContain(id)
    expect(await alike(`name=alike+ann&not=${id}`)).not.toContain(id)
    expect(await alike('name=Quite+Other&bornOn=1971-03-03')).not.toContain(id)
  })
  test('what is corrected keeps how it read, and is found under the new name alone', async () => {
    const id = await add('Before Wedding', '1990-09-09')
    const put = {
      name: 'After Wedding',
      bornOn: '1990-09-19',
      contact: ['email'],
      email: 'a@b.example',
    }
    expect((await owner.ask('PUT', `/api/clients/${id}`, put)).status).toBe(204)
    const { body } = await record(id)
    expect(body).toMatchObject({ name: 'After Wedding', bornOn: '1990-09-19', contact: ['email'] })
    expect(body.was).toMatchObject([{ name: 'Before Wedding', bornOn: '1990-09-09' }])
    expect(await namesOf('before wed')).toEqual([])
    expect(await namesOf('a@b.ex')).toEqual(['After Wedding'])
  })
  test('notes, answers and memories are appended and taken back, never overwritten', async () => {
    const id = await add('Noted Person')
    const note = { id: randomUUID(), kind: 'manner', body: 'bed raised slowly' }
    for (let times = 0; times < 2; times++)
      expect((await owner.ask('POST', `/api/clients/${id}/notes`, note)).status).toBe(204)
    const fact = (answer: string) => ({
      id: randomUUID(),
      fact: { code: 'pregnancy', answer, askedOn: new Date().toISOString().slice(0, 10) },
    })
    for (const answer of ['yes', 'no'])
      await owner.ask('POST', `/api/clients/${id}/facts`, { facts: [fact(answer)] })
    const memory = { productId: 'oat-mask', memory: 'refused', on: '2026-01-05', note: 'too thick' }
    await owner.ask('PUT', `/api/clients/${id}/memories`, { memory, holds: true })
    await owner.ask('PUT', `/api/clients/${id}/goals`, { concerns: ['calm', 'hydrate'] })
    const { body } = await record(id)
    expect(body.health).toMatchObject({
      notes: [{ kind: 'manner', body: 'bed raised slowly' }],
      memories: [{ productId: 'oat-mask', memory: 'refused' }],
      concerns: ['calm', 'hydrate'],
      productNames: { 'oat-mask': 'Oat Soothing Mask' },
    })
    expect((body.health as { facts: unknown[] }).facts).toHaveLength(2)
    expect((await owner.ask('DELETE', `/api/clients/${id}/notes/${note.id}`)).status).toBe(204)
    expect((await owner.ask('DELETE', `/api/clients/${id}/notes/${note.id}`)).status).toBe(404)
    await owner.ask('PUT', `/api/clients/${id}/memories`, { memory, holds: false })
    const after = await record(id)
    expect(after.body.health).toMatchObject({ notes: [], memories: [] })
    const future = { code: 'pregnancy', answer: 'yes', askedOn: '2999-01-01' }
    const reply = await owner.ask('POST', `/api/clients/${id}/facts`, {
      facts: [{ id: randomUUID(), fact: future }],
    })
    expect([reply.status, reply.body.path]).toEqual([400, 'facts.0.fact.askedOn'])
  })
  test('front desk sees who somebody is, and nothing of their health', async () => {
    const { person: front } = await staffOf(salon).joined('front_desk')
    const { body } = await front.ask<{ health: unknown; visits: { answer: unknown }[] }>(
      'GET',
      `/api/clients/${salon.ids.clients}`,
    )
    expect(body.health).toBeNull()
    expect(body.visits.every(({ answer }) => answer === null)).toBe(true)
  })
})

describe('a file', () => {
  const row = (at: number) => ({
    name: `Filed Person ${at}`,
    bornOn: '1985-06-07',
    phone: '',
    email: '',
    address: '',
  })
  const begin = async () =>
    (await owner.ask<{ id: string }>('POST', '/api/clients/imports')).body.id
  const put = (id: string, from: number, rows: object[]) =>
    owner.ask('PUT', `/api/clients/imports/${id}/rows`, { from, rows })
  test('is taken in at once or not at all; who is here already stays', async () => {
    const id = await begin()
    await put(id, 0, [row(1), row(2)])
    const early = await owner.ask('POST', `/api/clients/imports/${id}`, { count: 3 })
    expect([early.status, early.body.code]).toEqual([409, 'rows_missing'])
    expect(await namesOf('filed person')).toEqual([])
    await put(id, 2, [row(3)])
    await put(id, 2, [row(3)])
    const taken = await owner.ask('POST', `/api/clients/imports/${id}`, { count: 3 })
    expect(taken.body).toEqual({ added: 3, known: 0 })
    const again = await begin()
    await put(again, 0, [row(3), row(4)])
    const second = await owner.ask('POST', `/api/clients/imports/${again}`, { count: 2 })
    expect(second.body).toEqual({ added: 1, known: 1 })
    const over = await owner.ask('POST', `/api/clients/imports/${again}`, { count: 2 })
    expect(over.body.code).toBe('no_import')
  })
  test('left half way leaves nobody behind', async () => {
    await put(await begin(), 0, [row(90)])
    expect(await namesOf('filed person 90')).toEqual([])
  })
  test('goes out with contact data and no health, and comes back', async () => {
    const { body, headers } = await owner.ask<string>('GET', '/api/clients/file?find=filed')
    expect(headers.get('content-disposition')).toContain('clients-')
    expect(body).toBeUndefined()
    const text = await (
      await fetch(`${process.env.ZEN_TEST_URL}/api/clients/file?find=filed`, {
        headers: owner.headers(),
      })
    ).text()
    expect(text.split('\r\n')).toHaveLength(1 + 4)
    expect(text).toContain('Filed Person 1,1985-06-07')
  })
})
