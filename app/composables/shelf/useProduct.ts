import { useDebounceFn, useRefHistory } from '@vueuse/core'
import { currentBatch, inUse, type Batch, type Product } from '#core/catalog'
import { call, refusalOf, type Refusal } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'

interface Reply {
  product: Product
  batches: Batch[]
  archived: boolean
  changedAt: string
}
const SAVE_AFTER_MS = 600
const NEW: Product = {
  id: '',
  name: '',
  kind: 'serum',
  concerns: [],
  vehicle: 'water',
  actives: [],
  properties: [],
  skin: 'any',
  leaves: 'nothing',
  emergencyOff: 'rinse',
  openSkinUse: false,
  expected: [],
  stock: 0,
  uses: [],
}

/** One product on the bench: every change is kept a moment later, and can be undone. `parts`: what a house mix is made of. */
export function useProduct(id: string, today: () => string) {
  const product = shallowRef<Product>()
  const history = useRefHistory(product, { capacity: 100 })
  const fetched = shallowRef<Batch[]>([])
  const archived = ref(false)
  const { trouble, attempt } = useAttempt()
  const { things: batches, put: putThing } = useThings<Batch>(() => fetched.value, trouble)
  const state = ref<'saved' | 'saving' | 'waiting' | 'new'>('saved')
  let seenAt: string | undefined
  const isNew = id === 'new'
  // What comes from the server is nobody's change.
  let quiet = true

  async function load() {
    if (isNew) {
      product.value = NEW
      state.value = 'new'
    } else {
      await attempt(async () => {
        const reply = await call<Reply>(`/api/shelf/products/${id}`)
        quiet = true
        product.value = reply.product
        quiet = false
        fetched.value = reply.batches
        archived.value = reply.archived
        seenAt = reply.changedAt
      })
    }
    await nextTick()
    history.clear()
  }

  let sending = Promise.resolve()
  const send = useDebounceFn(() => {
    sending = sending.then(sendNow)
    return sending
  }, SAVE_AFTER_MS)
  async function sendNow() {
    const mine = product.value
    if (!mine || isNew) return
    try {
      const { changedAt } = await call<{ changedAt: string }>(`/api/shelf/products/${id}`, {
        method: 'PUT',
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
  function put(more: Partial<Product>) {
    product.value = Object.fromEntries(
      Object.entries({ ...product.value!, ...more }).filter(([, value]) => value !== undefined),
    ) as Product
  }
  /** Puts a new product on the shelf; gives its id, or undefined with the reason in `trouble`. */
  async function create(taken: ReadonlySet<string>): Promise<string | undefined> {
    const made = {
      ...product.value!,
      id: idFrom(product.value!.name, taken),
      name: product.value!.name.trim(),
    }
    return attempt(async () => {
      await call(`/api/shelf/products/${made.id}`, { method: 'PUT', body: { product: made } })
      return made.id
    })
  }
  /** A batch received, opened, counted or thrown away. */
  const putBatch = (batch: Batch, reason: 'count' | 'received' | 'discarded') =>
    putThing(batch, () =>
      call(`/api/shelf/batches/${batch.id}`, {
        method: 'PUT',
        body: { productId: id, batch, reason },
      }),
    )
  const putAway = (away: boolean) =>
    attempt(async () => {
      await call(`/api/shelf/products/${id}/archived`, { method: 'PUT', body: { archived: away } })
      archived.value = away
    })
  const shown = computed(() => product.value && inUse(product.value, batches.value, today()))
  const current = computed(() =>
    currentBatch(batches.value, product.value?.afterOpeningMonths, today()),
  )
  return {
    product,
    history,
    batches,
    archived,
    trouble,
    state,
    isNew,
    shown,
    current,
    load,
    put,
    create,
    putBatch,
    putAway,
  }
}
