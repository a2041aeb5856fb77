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
    const worker = new Worker(new URL('../../workers/shelf.worker.ts', import.meta.url), {
      type: 'module',
    })
    try {
      const found = await wrap<ShelfFiles>(worker).read(
        text,
        minorDigits(),
        today(),
        proxy((done: number, of: number) => {
          if (state.value.stage === 'reading') state.value = { stage: 'reading', done, of }
        }),
      )
      state.value = { stage: 'preview', read: found }
    } catch (error) {
      trouble.value = `This file could not be read: ${(error as Error).message}`
      state.value = { stage: 'choosing' }
    } finally {
      worker.terminate()
    }
  }
  async function send(found: ShelfCsvRead) {
    cancelled = false
    trouble.value = ''
    const { rows } = found
    try {
      const { id } = await call<{ id: string }>('/api/shelf/imports', { method: 'POST' })
      for (let from = 0; from < rows.length; from += AT_ONCE) {
        state.value = { stage: 'sending', done: from, of: rows.length }
        await call(`/api/shelf/imports/${id}/rows`, {
          method: 'PUT',
          body: { from, rows: rows.slice(from, from + AT_ONCE) },
        })
        if (cancelled) {
          state.value = { stage: 'preview', read: found }
          return false
        }
      }
      state.value = { stage: 'sending', done: rows.length, of: rows.length }
      state.value = {
        stage: 'done',
        ...(await call<{ added: number; changed: number }>(`/api/shelf/imports/${id}`, {
          method: 'POST',
          body: { count: rows.length },
        })),
      }
      return true
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
