import { readCard } from '#core/formats'
import type { Device, Product } from '#core/catalog'
import { call, refusalOf } from '~/support/api'

/** What became of one file. */
export interface TakenFile {
  readonly name: string
  readonly isIn: boolean
  readonly says: string
}
const MOST_BYTES = 2_000_000
const NOTHING = 'Nothing of it was taken in.'

const plural = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

/** Cards and bundles, several at once: each becomes a draft, and what it names and the shelf has not is put there, uncounted. */
export function useCardFiles() {
  const taken = ref<TakenFile[]>([])
  const busy = ref(false)
  async function take(files: readonly File[]) {
    busy.value = true
    for (const file of files) taken.value = [...taken.value, await takenIn(file)]
    busy.value = false
  }
  return { taken, busy, take }
}

async function takenIn(file: File): Promise<TakenFile> {
  const { name } = file
  const refused = (why: string): TakenFile => ({ name, isIn: false, says: `${why} ${NOTHING}` })
  if (file.size > MOST_BYTES) return refused('It is larger than two megabytes.')
  let value: unknown
  try {
    value = JSON.parse(await file.text())
  } catch (error) {
    return refused(`It is not JSON: ${(error as Error).message}.`)
  }
  try {
    const body = { from: 'file', file: value } as const
    const { missing } = await call('/api/protocols', { method: 'post', body })
    return { name, isIn: true, says: `Taken in as a draft${await shelvedWords(value, missing)}.` }
  } catch (error) {
    return refused(refusalOf(error).detail)
  }
}

/** What of it went on the shelf, or why it did not: the card is in all the same. */
async function shelvedWords(value: unknown, missing: readonly string[]): Promise<string> {
  const read = readCard(value)
  if (!read.ok || missing.length === 0) return ''
  try {
    const added = await shelved(read.card, new Set(missing))
    return added > 0 ? `, and ${plural(added, 'thing')} it names on the shelf` : ''
  } catch (error) {
    return `; not all it names is on the shelf: ${refusalOf(error).detail.replace(/\.$/, '')}`
  }
}

/** Puts what a card names on the shelf where its name was missing there; gives how many. */
async function shelved(
  {
    products,
    devices,
  }: { readonly products: readonly Product[]; readonly devices: readonly Device[] },
  missing: ReadonlySet<string>,
): Promise<number> {
  const wanted = products.filter(({ name }) => missing.has(name))
  const machines = devices.filter(({ name }) => missing.has(name))
  for (const product of wanted) {
    const params = { id: product.id }
    await call('/api/shelf/products/:id', { method: 'put', params, body: { product } })
  }
  for (const device of machines) {
    const params = { id: device.id }
    await call('/api/shelf/devices/:id', { method: 'put', params, body: device })
  }
  return wanted.length + machines.length
}
