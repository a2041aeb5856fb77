import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import busboy from 'busboy'
import type { H3Event } from 'h3'
import { Invalid, type Fault } from '#core/fault'
import { BODY_MOST, throughLimits } from './body'
import { TooLarge } from './problem'

/** Largest file that is taken, in bytes. */
export const PHOTO_MOST_BYTES = 20 * 1024 * 1024
const FIELDS_MOST = 8
const FIELD_MOST_BYTES = 4096

const FOLDER = 'zen-uploads-'
/** Uploads lie here while they are looked at: for this server alone. */
export const UPLOADS = join(tmpdir(), `${FOLDER}${process.pid}`)

/** What a server that was killed had not taken away: faces do not stay on a disk for that. */
export async function sweepUploads(): Promise<void> {
  const left = (await readdir(tmpdir())).filter(
    (name) => name.startsWith(FOLDER) && !isRunning(Number(name.slice(FOLDER.length))),
  )
  for (const name of left) await rm(join(tmpdir(), name), { recursive: true, force: true })
}

function isRunning(pid: number): boolean {
  try {
    return process.kill(pid, 0)
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM'
  }
}

/** A form with one file: its fields, and where the file lies. Whoever reads it takes it away again (`dropped`). */
export interface Upload {
  readonly fields: Readonly<Record<string, string>>
  readonly file: string | undefined
}

export const dropped = ({ file }: Pick<Upload, 'file'>): Promise<void> =>
  file ? rm(file, { force: true }) : Promise.resolve()

/** Reads a form with one file of the given name. The file goes to disk as it comes, within its limits: it is never in memory as a whole. */
export async function readUpload(event: H3Event, name: string): Promise<Upload> {
  const parser = parserOf(event)
  await mkdir(UPLOADS, { recursive: true, mode: 0o700 })
  const file = join(UPLOADS, randomUUID())
  const fields: Record<string, string> = {}
  let writing: Promise<void> | undefined
  let refused: Fault | undefined
  parser.on('field', (field, value) => {
    fields[field] = value
  })
  parser.on('file', (field, part) => {
    // A form that is torn down says so on each of its parts.
    part.on('error', () => {})
    if (field !== name || writing) return void part.resume()
    part.once('limit', () => {
      refused = tooLarge()
    })
    writing = pipeline(part, createWriteStream(file, { mode: 0o600 }))
    // It is waited for below; a line that is cut before that must not end the server.
    writing.catch(() => {})
  })
  try {
    await throughLimits(event, BODY_MOST.photo, parser, badForm)
    await writing
    if (refused) throw refused
    return { fields, file: writing ? file : undefined }
  } catch (error) {
    await writing?.catch(() => {})
    await rm(file, { force: true })
    throw error instanceof TooLarge ? tooLarge() : error
  }
}

function parserOf({ node }: H3Event): busboy.Busboy {
  try {
    return busboy({
      headers: node.req.headers,
      limits: {
        fileSize: PHOTO_MOST_BYTES,
        files: 1,
        fields: FIELDS_MOST,
        fieldSize: FIELD_MOST_BYTES,
      },
    })
  } catch {
    throw badForm()
  }
}

export const badForm = (): Invalid =>
  new Invalid({
    code: 'no_photo',
    detail: 'There is no photograph in this upload.',
    path: 'photo',
  })

const tooLarge = (): TooLarge =>
  new TooLarge({
    code: 'photo_too_large',
    detail: `At most ${PHOTO_MOST_BYTES / 1_048_576} MB are taken. Take the photograph again with a smaller size.`,
    path: 'photo',
  })
