import { proxy, wrap } from 'comlink'
import type { ShelfCsvRead } from '#core/csv'
import { call, refusalOf } from '~/support/api'
import type { ShelfFiles } from '~/workers/shelf.worker'

const AT_ONCE = 250
export type ImportState =
  | { readonly stage: 'choosing' }
  | { readonly stage: 'reading' | 'sending'; readonly done: number; readonly of: number }
  | { readonly stage: 'preview'; readonly read: ShelfCsvRead }
  | { readonly stage: 'done'; readonly added: number; readonly changed: number }

/** A shelf file on its way in: read in a worker, shown, sent in parts, and put on the shelf at once or not at all. */
export function useShelfImport(minorDigits: () => number, today: () => string) {
  const state = shallowRef<ImportState>({ stage: 'choosing' })
  const trouble = ref('')
  let cancelled = false

  async function read(text: string) {
    trouble.value = ''
    state.value = { stage: 'reading', done: 0, of: 0 }
    const onProgress = (done: number, of: number) => {
      if (state.value.stage === 'reading') state.value = { stage: 'reading', done, of }
    }
    try {
      const found = await readInWorker(text, minorDigits(), today(), onProgress)
      state.value = { stage: 'preview', read: found }
    } catch (error) {
      trouble.value = `This file could not be read: ${(error as Error).message}`
      state.value = { stage: 'choosing' }
    }
  }
  async function send(found: ShelfCsvRead) {
    cancelled = false
    trouble.value = ''
    const { rows } = found
    const onProgress = (done: number) => {
      state.value = { stage: 'sending', done, of: rows.length }
      return !cancelled
    }
    try {
      const put = await sendInParts(rows, onProgress)
      state.value = put ? { stage: 'done', ...put } : { stage: 'preview', read: found }
      return put !== undefined
    } catch (error) {
      trouble.value = refusalOf(error).detail
      state.value = { stage: 'preview', read: found }
      return false
    }
  }
  const cancel = () => {
    cancelled = true
  }
  const again = () => {
    state.value = { stage: 'choosing' }
    trouble.value = ''
  }
  return { state, trouble, read, send, cancel, again }
}

async function readInWorker(
  text: string,
  minorDigits: number,
  today: string,
  onProgress: (done: number, of: number) => void,
): Promise<ShelfCsvRead> {
  const worker = new Worker(new URL('../../workers/shelf.worker.ts', import.meta.url), {
    type: 'module',
  })
  try {
    return await wrap<ShelfFiles>(worker).read(text, minorDigits, today, proxy(onProgress))
  } finally {
    worker.terminate()
  }
}

/** Sends the rows, then puts them all on the shelf; undefined when `onProgress` said to stop. */
async function sendInParts(
  rows: ShelfCsvRead['rows'],
  onProgress: (done: number) => boolean,
): Promise<{ added: number; changed: number } | undefined> {
  const { id } = await call('/api/shelf/imports', { method: 'post' })
  for (let from = 0; from < rows.length; from += AT_ONCE) {
    onProgress(from)
    const body = { from, rows: rows.slice(from, from + AT_ONCE) }
    await call('/api/shelf/imports/:id/rows', { method: 'put', params: { id }, body })
    if (!onProgress(from)) return undefined
  }
  onProgress(rows.length)
  const body = { count: rows.length }
  return call('/api/shelf/imports/:id', { method: 'post', params: { id }, body })
}
