import type { ShallowRef } from 'vue'
import { useDebounceFn, useRefHistory } from '@vueuse/core'
import { currentBatch, inUse, type Batch, type Product } from '#core/catalog'
import { call, refusalOf, type Refusal } from '~/support/api'
import { compact } from '~/support/compact'
import { NEW_PRODUCT, type ProductChange } from '~/support/shelf/product-fields'
import { idFrom } from '~/support/shelf/shelf'

const SAVE_AFTER_MS = 600
type Refs = Pick<ProductOnBench, 'product' | 'state' | 'trouble'>
interface ProductOnBench {
  readonly product: ShallowRef<Product | undefined>
  readonly state: Ref<'saved' | 'saving' | 'waiting' | 'new'>
  readonly trouble: Ref<string>
}

/** Sends the product a moment after its last change, one request after the other. */
function useSending(id: string, { product, state, trouble }: Refs) {
  let seenAt: string | undefined
  let sending = Promise.resolve()
  async function sendNow() {
    const mine = product.value
    if (!mine) return
    try {
      const { changedAt } = await call('/api/shelf/products/:id', {
        method: 'put',
        params: { id },
        body: { product: { ...mine, stock: 0 }, ...(seenAt ? { seenAt } : {}) },
      })
      seenAt = changedAt
      trouble.value = ''
      if (mine === product.value) state.value = 'saved'
    } catch (error) {
      const refusal: Refusal = refusalOf(error)
      state.value = 'waiting'
      trouble.value =
        refusal.status === 0
          ? 'No connection: what you typed is still here. It is saved with the next change.'
          : refusal.detail
    }
  }
  const send = useDebounceFn(() => {
    sending = sending.then(sendNow)
    return sending
  }, SAVE_AFTER_MS)
  function seen(changedAt: string) {
    seenAt = changedAt
  }
  return { send, seen }
}

/** What is done to a product beside writing on it: made, put away, and its batches counted. */
function useProductDeeds(
  id: string,
  product: ShallowRef<Product | undefined>,
  { trouble, attempt }: ReturnType<typeof useAttempt>,
) {
  const fetched = shallowRef<Batch[]>([])
  const archived = ref(false)
  const { things: batches, put: putThing } = useThings<Batch>(() => fetched.value, trouble)

  /** Puts a new product on the shelf; gives its id, or undefined with the reason in `trouble`. */
  async function create(taken: ReadonlySet<string>): Promise<string | undefined> {
    const name = product.value!.name.trim()
    const created = { ...product.value!, name, id: idFrom(name, taken) }
    return attempt(async () => {
      await call('/api/shelf/products/:id', {
        method: 'put',
        params: { id: created.id },
        body: { product: created },
      })
      return created.id
    })
  }
  /** A batch received, opened, counted or thrown away. */
  const putBatch = (batch: Batch, reason: 'count' | 'received' | 'discarded') =>
    putThing(batch, () =>
      call('/api/shelf/batches/:id', {
        method: 'put',
        params: { id: batch.id },
        body: { productId: id, batch, reason },
      }),
    )
  const putAway = (away: boolean) =>
    attempt(async () => {
      await call('/api/shelf/products/:id/archived', {
        method: 'put',
        params: { id },
        body: { archived: away },
      })
      archived.value = away
    })
  return { fetched, batches, archived, create, putBatch, putAway }
}

/** One product on the bench: every change is kept a moment later, and can be undone. `today`: what counts as in date. */
export function useProduct(id: string, today: () => string) {
  const product = shallowRef<Product>()
  const history = useRefHistory(product, { capacity: 100 })
  const state = ref<'saved' | 'saving' | 'waiting' | 'new'>('saved')
  const attempting = useAttempt()
  const { trouble, attempt } = attempting
  const { fetched, ...deeds } = useProductDeeds(id, product, attempting)
  const { send, seen } = useSending(id, { product, state, trouble })
  const isNew = id === 'new'
  // What comes from the server is nobody's change.
  let quiet = true

  async function fetchProduct() {
    const reply = await call('/api/shelf/products/:id', { params: { id } })
    quiet = true
    product.value = reply.product
    quiet = false
    fetched.value = reply.batches
    deeds.archived.value = reply.archived
    seen(reply.changedAt)
  }
  async function load() {
    if (isNew) {
      product.value = NEW_PRODUCT
      state.value = 'new'
    } else await attempt(fetchProduct)
    await nextTick()
    history.clear()
  }
  watch(
    product,
    (now) => {
      if (!now || quiet || isNew) return
      state.value = 'saving'
      void send()
    },
    { flush: 'sync' },
  )

  /** Every change goes through here; a field set to undefined goes away. */
  function put(more: ProductChange) {
    product.value = compact<Product>({ ...product.value!, ...more })
  }
  const shown = computed(() => product.value && inUse(product.value, deeds.batches.value, today()))
  const current = computed(() =>
    currentBatch(deeds.batches.value, product.value?.afterOpeningMonths, today()),
  )
  return { product, history, trouble, state, isNew, shown, current, load, put, ...deeds }
}
