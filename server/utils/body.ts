import type { IncomingMessage } from 'node:http'
import { Writable } from 'node:stream'
import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser'
import type { H3Event } from 'h3'
import { Invalid, type Fault } from '#core/fault'
import { insideOf } from './inside'
import { TooLarge, TooSlow } from './problem'

const KB = 1024
/** Bytes of a body that are taken, by what it is. */
export const BODY_MOST = {
  usual: 256 * KB,
  events: 1024 * KB,
  /** A card with its shelf, one part of an import. */ file: 8 * 1024 * KB,
  /** And the fields beside it. */ photo: (20 * 1024 + 64) * KB,
} as const
/** Lists and objects within one another. */
const DEEPEST = 32
/** So long without a byte ends a request; so long a whole body may take, and a photograph over a slow line. */
const SILENT_MS = 15_000
const WHOLE_MS = 20_000
const PHOTO_MS = 180_000

/**
 * The body of a request as JSON, limited before anything is parsed: in bytes, also of one sent in pieces, in time and in depth. Undefined where
 * there is none. What is no JSON is told as such, with where.
 */
export async function readJson(event: H3Event, most: number = BODY_MOST.usual): Promise<unknown> {
  const inside = insideOf(event)
  const text = inside ? inside.body : (await readLimited(event, most)).toString('utf8')
  if (text.trim() === '') return undefined
  refuseDeep(text)
  return jsonOf(text)
}

/** The bytes of a body, at most so many. */
export async function readLimited(event: H3Event, most: number): Promise<Buffer> {
  const parts: Buffer[] = []
  const gathered = new Writable({
    write(part: Buffer, _encoding, done) {
      parts.push(part)
      done()
    },
  })
  await throughLimits(event, most, gathered, tooSlow)
  return Buffer.concat(parts)
}

/** Lets a body through into a stream: at most so many bytes, in time. `broken`: what is told where the stream can make nothing of it. */
export async function throughLimits(
  { node }: H3Event,
  most: number,
  into: Writable,
  broken: () => Fault,
): Promise<void> {
  const { req } = node
  // A stream that is torn down says so, also when nobody waits for it any more.
  into.on('error', () => {})
  try {
    if (Number(req.headers['content-length'] ?? 0) > most) throw tooLarge(most)
    await flowed(req, most, into, broken)
  } catch (refused) {
    into.destroy()
    letGo(req)
    throw refused
  }
}

/** So long what still comes after a refusal is thrown away unread: a line cut at once would take the answer with it. */
const LINGER_MS = 2000
function letGo(req: IncomingMessage) {
  const cut = setTimeout(() => req.destroy(), LINGER_MS)
  req.once('end', () => clearTimeout(cut)).once('close', () => clearTimeout(cut))
  req.resume()
}

/** Passes on what comes, as long as it comes, is not too much and does not take too long. */
function flowed(
  req: IncomingMessage,
  most: number,
  into: Writable,
  broken: () => Fault,
): Promise<void> {
  let bytes = 0
  const clocks: NodeJS.Timeout[] = []
  return new Promise<void>((resolve, reject) => {
    const slow = () => reject(tooSlow())
    const silent = setTimeout(slow, SILENT_MS)
    clocks.push(silent, setTimeout(slow, most === BODY_MOST.photo ? PHOTO_MS : WHOLE_MS))
    req.on('data', (part: Buffer) => {
      silent.refresh()
      bytes += part.length
      if (bytes > most) reject(tooLarge(most))
      else if (!into.write(part)) {
        req.pause()
        into.once('drain', () => req.resume())
      }
    })
    req.once('end', () => into.end())
    req.once('error', slow)
    req.once('close', () => {
      if (!req.readableEnded) slow()
    })
    into.once('error', () => reject(broken()))
    into.once('close', resolve)
  }).finally(() => {
    for (const clock of clocks) clearTimeout(clock)
    req.removeAllListeners('data')
  })
}

const tooSlow = (): TooSlow =>
  new TooSlow({
    code: 'too_slow',
    detail: 'What was sent stopped coming before it was whole. Send it again.',
  })

function tooLarge(most: number): TooLarge {
  const size = most >= 1024 * KB ? `${Math.floor(most / (1024 * KB))} MB` : `${most / KB} kB`
  return new TooLarge({
    code: 'too_large',
    detail: `This is larger than the ${size} that are taken.`,
  })
}

/** Refuses what is nested too deeply, looking at brackets outside texts alone: nothing is built before. */
export function refuseDeep(text: string): void {
  let depth = 0
  let isText = false
  for (let at = 0; at < text.length; at++) {
    const sign = text[at]
    if (isText) {
      if (sign === '\\') at++
      else if (sign === '"') isText = false
      continue
    }
    if (sign === '"') isText = true
    else if (sign === '[' || sign === '{') depth++
    else if (sign === ']' || sign === '}') depth--
    if (depth > DEEPEST)
      throw new Invalid({
        code: 'too_deep',
        detail: `${placeOf(text, at)}: more than ${DEEPEST} lists or objects within one another.`,
      })
  }
}

/** The value of a text, or an Invalid that says what is wrong with it as JSON, and where. */
export function jsonOf(text: string): unknown {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw new Invalid({ code: 'not_json', detail: `${breakIn(text)}.` })
  }
  refuseBroken(value, [])
  return value
}

/** Where a text stops being JSON, and why: what the engine's own message leaves out for long texts. */
function breakIn(text: string): string {
  const errors: ParseError[] = []
  parse(text, errors, {
    disallowComments: true,
    allowTrailingComma: false,
    allowEmptyContent: false,
  })
  const [first] = errors
  if (!first) return 'This is no JSON'
  const what = printParseErrorCode(first.error)
    .replaceAll(/([A-Z])/g, ' $1')
    .trim()
    .toLowerCase()
  return `${placeOf(text, first.offset)}: this is no JSON (${what})`
}

function placeOf(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n')
  return `Line ${before.length}, character ${before.at(-1)!.length + 1}`
}

/** Half a character cannot be kept: said where it stands, instead of failing in the database. */
function refuseBroken(value: unknown, path: readonly (string | number)[]): void {
  if (typeof value === 'string' && !value.isWellFormed())
    throw new Invalid({
      code: 'half_character',
      detail: `${path.join('.') || 'body'}: half a character stands in this text. Type it again.`,
      path: path.join('.'),
    })
  if (value === null || typeof value !== 'object') return
  for (const [key, inner] of Object.entries(value)) {
    refuseBroken(key, [...path, key])
    refuseBroken(inner, [...path, Array.isArray(value) ? Number(key) : key])
  }
}
