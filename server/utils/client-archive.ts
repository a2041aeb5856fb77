import { createReadStream } from 'node:fs'
import { mkdtemp, open, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import type { PoolClient } from 'pg'
import { ClientFile } from '#core/formats'
import { loadClient } from '../db/client.sql'
import { formerDetails, type clientDetails } from '../db/clients.sql'
import { listConsents } from '../db/consent.sql'
import { listNotes } from '../db/note.sql'
import { listPhotos, photoBytes } from '../db/photo.sql'
import { filedMessages, filedVisits } from '../db/rights.sql'
import { salonById } from '../db/salon.sql'

type Head = NonNullable<Awaited<ReturnType<typeof clientDetails>>>

/** Everything of a client as their open file has it. */
async function fileOf(db: PoolClient, salonId: string, head: Head): Promise<ClientFile> {
  const salon = (await salonById(db, salonId))!
  const client = (await loadClient(db, head.id))!
  const { id, name, bornOn, phone, email, address, contact } = head
  const { concerns, goalDetails = {} } = client
  const consents = await listConsents(db, id)
  const file = {
    ...{ format: 'zen-ladder/client', version: 1, madeAt: new Date(), salon: salon.name },
    client: { id, name, bornOn, phone, email, address, contact, concerns, goalDetails },
    before: await formerDetails(db, id),
    facts: client.facts,
    memories: client.memories,
    clearances: client.clearances,
    patchTests: client.patchTests,
    notes: (await listNotes(db, id)).map(({ kind, body, madeAt }) => ({ kind, body, madeAt })),
    consents: consents.map(({ id: consentId, signature: _drawn, ...consent }) => ({
      ...consent,
      file: signatureFile(consentId),
    })),
    visits: await filedVisits(db, id),
    photos: (await listPhotos(db, id, salon.time_zone)).map((photo) => ({
      file: photoFile(photo.id),
      ...{ visitId: photo.visitId, view: photo.view, moment: photo.moment },
      ...{ light: photo.light, takenAt: photo.takenAt },
    })),
    messages: await filedMessages(db, id),
  }
  // As it is written: days and instants are text from here on.
  return ClientFile.parse(JSON.parse(JSON.stringify(file)))
}

const photoFile = (id: string) => `photos/${id}.jpg`
const signatureFile = (id: string) => `signatures/${id}.svg`

/** The archive as a stream. It is put together on disk, one photograph at a time, and is gone from there before the first byte is sent. */
export async function archiveOf(db: PoolClient, salonId: string, client: Head): Promise<Readable> {
  const folder = await mkdtemp(join(tmpdir(), 'zen-client-'))
  const path = join(folder, 'client.zip')
  try {
    await write(path, db, await fileOf(db, salonId, client), client.id)
    const file = await open(path)
    return createReadStream(path, { fd: file })
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

async function write(path: string, db: PoolClient, file: ClientFile, clientId: string) {
  const out = await open(path, 'w', 0o600)
  try {
    await putTogether(db, file, clientId, (chunk) => out.write(chunk))
  } finally {
    await out.close()
  }
}

/** Hands the archive's bytes on in their order, waiting for each to be taken. */
async function putTogether(
  db: PoolClient,
  file: ClientFile,
  clientId: string,
  take: (chunk: Uint8Array) => Promise<unknown>,
) {
  const waiting: Uint8Array[] = []
  const zip = new Zip((error, chunk) => {
    if (error) throw error
    waiting.push(chunk)
  })
  const drain = async () => {
    for (const chunk of waiting.splice(0)) await take(chunk)
  }
  const put = async (entry: ZipDeflate | ZipPassThrough, bytes: Uint8Array) => {
    zip.add(entry)
    entry.push(bytes, true)
    await drain()
  }
  const text = (value: string) => new TextEncoder().encode(value)
  await put(new ZipDeflate('client.json'), text(`${JSON.stringify(file, null, 2)}\n`))
  for (const consent of await listConsents(db, clientId))
    await put(new ZipDeflate(signatureFile(consent.id)), text(consent.signature))
  for (const { file: name } of file.photos) {
    const photo = await photoBytes(db, name.slice('photos/'.length, -'.jpg'.length), clientId)
    if (photo) await put(new ZipPassThrough(name), photo.bytes)
  }
  zip.end()
  await drain()
}
