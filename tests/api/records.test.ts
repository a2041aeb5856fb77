import { owner } from './people'
import sharp from 'sharp'
import { randomUUID } from 'node:crypto'
import { readdir } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { BASE, book, withDatabase } from './http'
import { visitOf, planOf, said } from './visits'

describe('photographs', () => {
  const send = async (id: string, bytes: Buffer, photoId = randomUUID()) => {
    const form = new FormData()
    for (const [name, value] of Object.entries({
      id: photoId,
      view: 'front',
      moment: 'start',
      light: 'ring lamp',
    }))
      form.append(name, value)
    form.append('photo', new Blob([new Uint8Array(bytes)]), 'face.jpg')
    return owner.send<{ code: string; detail: string; width: number; height: number }>(
      'POST',
      `/api/visits/${id}/photos`,
      form,
    )
  }
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#c99f7d' } })
  test('only with the signed consent; turned upright, at most 2048 pixels, without where and when', async () => {
    const bytes = await picture(3000, 2000)
      .withExif({
        IFD0: { Make: 'Camera' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '52/1 0/1 0/1' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    expect((await send(await book(owner, 'Hollis Marchetti'), bytes)).body.code).toBe('no_consent')
    const id = await book(owner, 'Yuna Delacroix')
    const photoId = randomUUID()
    const { status, body } = await send(id, bytes, photoId)
    expect([status, body.width, body.height]).toEqual([201, 1365, 2048])
    const kept = await fetch(`${BASE}/api/visits/${id}/photos/${photoId}`, {
      headers: owner.headers(),
    })
    const { format, exif, orientation } = await sharp(
      Buffer.from(await kept.arrayBuffer()),
    ).metadata()
    expect([
      kept.headers.get('cache-control')?.includes('private'),
      format,
      exif,
      orientation,
    ]).toEqual([true, 'jpeg', undefined, undefined])
    const other = await book(owner, 'Wren Castellane')
    expect((await owner.ask('GET', `/api/visits/${other}/photos/${photoId}`)).status).toBe(404)
  })
  test.each([
    ['text under a picture’s name', Buffer.from('this is no picture'), 415, 'not_a_photo'],
    [
      'a drawing that could hold scripts',
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
      ),
      415,
      'not_a_photo',
    ],
    ['half a picture', undefined, 415, 'not_a_photo'],
    ['30 MB', Buffer.alloc(30 * 1024 * 1024, 1), 413, 'photo_too_large'],
  ] as const)('%s is refused in words, and nothing is kept', async (_name, given, status, code) => {
    const id = await book(owner, 'Yuna Delacroix')
    const before = (await visitOf(id)).photos.length
    const whole = await picture(800, 800).jpeg().toBuffer()
    const reply = await send(id, given ?? whole.subarray(0, whole.length / 2))
    expect([reply.status, reply.body.code]).toEqual([status, code])
    expect(reply.body.detail).toMatch(/photograph/i)
    expect((await visitOf(id)).photos.length).toBe(before)
    expect(await leftovers()).toEqual([])
  })
  test('a small file of very many pixels is refused before they are drawn', async () => {
    const bytes = await picture(8000, 8000).png({ compressionLevel: 9 }).toBuffer()
    expect(bytes.length).toBeLessThan(1024 * 1024)
    const reply = await send(await book(owner, 'Yuna Delacroix'), bytes)
    expect([reply.status, reply.body.code]).toEqual([415, 'not_a_photo'])
    expect(reply.body.detail).toContain('pixel limit')
  })
  test('one that never ends is given up, and nothing of it stays on disk', async () => {
    const id = await book(owner, 'Yuna Delacroix')
    const head = '--x\r\ncontent-disposition: form-data; name="photo"; filename="face.jpg"\r\n\r\n'
    const endless = new ReadableStream<Uint8Array>({
      start: (way) => way.enqueue(new TextEncoder().encode(head)),
      pull: (way) => way.enqueue(new Uint8Array(1024 * 1024)),
    })
    const reply = await fetch(`${BASE}/api/visits/${id}/photos`, {
      method: 'POST',
      headers: { ...owner.headers(), 'content-type': 'multipart/form-data; boundary=x' },
      body: endless,
      duplex: 'half',
    } as RequestInit)
    expect(reply.status).toBe(413)
    expect(await leftovers()).toEqual([])
  })
})

/** What lies where uploads are looked at: nothing, once they have been. */
async function leftovers(): Promise<string[]> {
  const folders = (await readdir(tmpdir())).filter((name) => name.startsWith('zen-uploads-'))
  return (await Promise.all(folders.map((name) => readdir(join(tmpdir(), name))))).flat()
}

describe('the intake as a file', () => {
  interface Intake {
    facts: { code: string; answer: string; askedOn: string; on?: string }[]
    client: { name: string; concerns: string[] }
  }
  test('goes out, and comes in for another client with all its answers', async () => {
    const from = await book(owner, 'Ingrid Solvay')
    const { body: intake } = await owner.ask<Intake>('GET', `/api/visits/${from}/intake`)
    expect(intake.facts.find((fact) => fact.code === 'implant-electronic')?.answer).toBe('yes')
    const to = await book(owner, 'Hollis Marchetti')
    const { status } = await owner.ask('POST', `/api/visits/${to}/intake`, {
      ...intake,
      facts: intake.facts.map((fact) => ({ ...fact, askedOn: '2026-11-24' })),
    })
    const { input } = await visitOf(to)
    expect([status, input.client.name, input.client.concerns]).toEqual([
      204,
      'Hollis Marchetti',
      intake.client.concerns,
    ])
    expect((await planOf(to)).stops.join()).toContain('Electronic implant')
  })
  test.each([
    [
      'a question that does not exist',
      { code: 'nonsense', answer: 'yes', askedOn: '2026-11-24' },
      '$.facts[1].code',
    ],
    [
      'a date to come',
      { code: 'sunburn', answer: 'yes', askedOn: '2026-11-24', on: '2090-01-01' },
      '$.facts[1].on',
    ],
    [
      'a day before the client was born',
      { code: 'isotretinoin', answer: 'yes', askedOn: '2026-11-24', on: '1931-01-01' },
      '$.facts[1].on',
    ],
    [
      'yes and no on one day',
      { code: 'pregnancy', answer: 'no', askedOn: '2026-11-24' },
      '$.facts[1].answer',
    ],
    [
      'an impossible date',
      { code: 'sunburn', answer: 'yes', askedOn: '2026-13-45' },
      '$.facts[1].askedOn',
    ],
  ] as const)('with %s is refused whole, with the path', async (_name, second, path) => {
    const id = await book(owner, 'Hollis Marchetti')
    const count = () =>
      withDatabase(
        async (db) =>
          (
            await db.query(
              `SELECT 1
                FROM health_fact f
                  JOIN visit v ON v.client_id = f.client_id
                WHERE v.id = $1`,
              [id],
            )
          ).rowCount,
      )
    const before = await count()
    const { status, body } = await owner.ask('POST', `/api/visits/${id}/intake`, {
      format: 'zen-ladder/intake',
      version: 1,
      takenOn: '2026-11-24',
      client: { name: 'X', bornOn: '1980-01-01', concerns: [], notes: [] },
      facts: [{ code: 'pregnancy', answer: 'yes', askedOn: '2026-11-24' }, second],
    })
    expect([status, body.detail.includes(path), await count()]).toEqual([400, true, before])
  })
})

describe('answers that cannot be', () => {
  test('yes and no in one list are refused; control characters are taken out, and nothing else', async () => {
    const id = await book(owner, 'Pilar Nwosu')
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('melasma'), said('melasma', 'no')],
        })
      ).body,
    ).toMatchObject({ code: 'contradiction', path: 'facts.1.fact.answer' })
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('sunburn', 'yes', { note: 'after\u0000noon' })],
        })
      ).status,
    ).toBe(204)
    expect(
      (await visitOf(id)).input.client.facts.findLast((fact) => fact.code === 'sunburn')?.note,
    ).toBe('afternoon')
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/facts`, {
          facts: [said('sunburn', 'yes', { note: 'x'.repeat(501) })],
        })
      ).body.path,
    ).toBe('facts.0.fact.note')
  })
})
