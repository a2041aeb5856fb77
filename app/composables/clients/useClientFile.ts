import { proxy, wrap } from 'comlink'
import { columnsMissing, type ClientsRead, type ColumnMap } from '#core/csv'
import { call, refusalOf } from '~/support/api'
import type { ClientFiles, OpenedFile } from '~/workers/clients.worker'

const AT_ONCE = 500
export type FileState =
  | { readonly stage: 'choosing' }
  | { readonly stage: 'reading' | 'sending'; readonly done: number; readonly of: number }
  | { readonly stage: 'preview'; readonly read: ClientsRead | undefined }
  | { readonly stage: 'done'; readonly added: number; readonly known: number }

/** A file of clients on its way in: read in a worker, its columns named, shown, sent in parts, and taken in at once or not at all. */
export function useClientFile(today: () => string) {
  const state = shallowRef<FileState>({ stage: 'choosing' })
  const file = shallowRef<OpenedFile>()
  const columns = ref<ColumnMap>([])
  const monthFirst = ref(false)
  const trouble = ref('')
  let cancelled = false

  async function open(text: string) {
    trouble.value = ''
    try {
      file.value = await inWorker((files) => files.open(text))
      columns.value = file.value.columns
      await read()
    } catch (error) {
      trouble.value = `This file could not be read: ${(error as Error).message}`
      state.value = { stage: 'choosing' }
    }
  }
  function onRead(done: number, of: number) {
    if (state.value.stage === 'reading') state.value = { stage: 'reading', done, of }
  }
  async function read() {
    const missing = columnsMissing(columns.value)
    if (missing !== undefined) return void (state.value = { stage: 'preview', read: undefined })
    state.value = { stage: 'reading', done: 0, of: file.value!.table.lines.length }
    const setting = { columns: [...columns.value], monthFirst: monthFirst.value, today: today() }
    const found = await inWorker((files) => files.read(file.value!.table, setting, proxy(onRead)))
    state.value = { stage: 'preview', read: found }
  }
  async function send(found: ClientsRead) {
    cancelled = false
    trouble.value = ''
    const onProgress = (done: number) => {
      state.value = { stage: 'sending', done, of: found.rows.length }
      return !cancelled
    }
    try {
      const put = await sendInParts(found.rows, onProgress)
      state.value = put ? { stage: 'done', ...put } : { stage: 'preview', read: found }
    } catch (error) {
      trouble.value = refusalOf(error).detail
      state.value = { stage: 'preview', read: found }
    }
  }
  const cancel = () => (cancelled = true)
  return { state, file, columns, monthFirst, trouble, open, read, send, cancel }
}

async function inWorker<T>(work: (files: ReturnType<typeof wrap<ClientFiles>>) => Promise<T>) {
  const worker = new Worker(new URL('../../workers/clients.worker.ts', import.meta.url), {
    type: 'module',
  })
  try {
    return await work(wrap<ClientFiles>(worker))
  } finally {
    worker.terminate()
  }
}

/** Sends the rows, then takes them all in; undefined when `onProgress` said to stop. */
async function sendInParts(
  rows: ClientsRead['rows'],
  onProgress: (done: number) => boolean,
): Promise<{ added: number; known: number } | undefined> {
  const { id } = await call('/api/clients/imports', { method: 'post' })
  const params = { id }
  for (let from = 0; from < rows.length; from += AT_ONCE) {
    if (!onProgress(from)) return undefined
    const body = { from, rows: rows.slice(from, from + AT_ONCE) }
    await call('/api/clients/imports/:id/rows', { method: 'put', params, body })
  }
  if (!onProgress(rows.length)) return undefined
  return call('/api/clients/imports/:id', { method: 'post', params, body: { count: rows.length } })
}
