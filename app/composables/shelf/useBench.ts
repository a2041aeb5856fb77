import { useLocalStorage, useRefHistory } from '@vueuse/core'
import { z } from 'zod'
import type { Product } from '#core/catalog'
import { call } from '~/support/api'
import { readAs } from '~/support/kept'
import {
  asHouseMix,
  benchResult,
  recipeOf,
  type BenchPart,
  type OwnRules,
} from '~/support/shelf/bench'

const Bench = z.object({
  by: z.enum(['mass', 'volume']),
  parts: z
    .array(z.object({ productId: z.string(), parts: z.number(), weighedG: z.number().optional() }))
    .readonly(),
  amount: z.number(),
  unit: z.enum(['g', 'mL']),
})
type Bench = z.infer<typeof Bench>
const EMPTY: Bench = { by: 'mass', parts: [], amount: 12, unit: 'g' }

/** What lies on the mix bench: kept on this tablet, undone step by step, weighed, and saved as a house mix or over the one it was opened from. */
export function useBench() {
  const products = shallowRef<Product[]>([])
  const notice = ref('')
  const ratio = benchRatio(products, notice)
  const { trouble, attempt } = useAttempt()
  const saving = benchSaving({ ...ratio, products, notice, attempt })
  const clear = () => {
    saving.mix.value = undefined
    ratio.put(EMPTY)
  }
  return { ...ratio, ...saving, products, notice, trouble, clear }
}

/** The ratio in the bowl and what follows from it. */
function benchRatio(products: Ref<Product[]>, notice: Ref<string>) {
  const kept = useLocalStorage<Bench>('zen-bench', EMPTY, {
    shallow: true,
    serializer: { read: (text) => readAs(text, Bench) ?? EMPTY, write: JSON.stringify },
  })
  const bench = shallowRef<Bench>(kept.value)
  const history = useRefHistory(bench, { capacity: 100 })
  watch(bench, (now) => {
    kept.value = now
  })
  const put = (more: Partial<Bench>) => {
    bench.value = { ...bench.value, ...more }
    notice.value = ''
  }
  const parts = () => bench.value.parts
  const part = (at: number, more: Partial<BenchPart>) =>
    put({ parts: parts().map((old, index) => (index === at ? { ...old, ...more } : old)) })
  const add = (productId: string) => put({ parts: [...parts(), { productId, parts: 1 }] })
  const drop = (at: number) => put({ parts: parts().filter((_, index) => index !== at) })
  const result = computed(() => {
    if (products.value.length === 0) return undefined
    const { by, amount, unit } = bench.value
    return benchResult(by, parts(), { amount, unit }, products.value)
  })
  /** The ratio that would have so many grams of one part in the bowl. */
  function setGrams(at: number, grams: number) {
    const line = result.value?.scaled.lines[at]?.grams
    if (grams <= 0 || !line) return
    part(at, { parts: Math.round(parts()[at]!.parts * (grams / line) * 1000) / 1000 })
  }
  const asWeighed = () =>
    put({
      by: 'mass',
      parts: parts().map(({ productId, weighedG }) => ({ productId, parts: weighedG! })),
    })
  return { bench, history, put, part, add, drop, result, setGrams, asWeighed }
}

/** Writes a product; `seenAt`: as it was when it was opened, left out for a new one. */
const putProduct = (product: Product, seenAt?: string) =>
  call('/api/shelf/products/:id', {
    method: 'put',
    params: { id: product.id },
    body: { product, seenAt },
  })

interface Saving {
  readonly bench: Ref<Bench>
  readonly products: Ref<Product[]>
  readonly notice: Ref<string>
  readonly attempt: ReturnType<typeof useAttempt>['attempt']
}

/** Opens mixes of the shelf on the bench, and puts what is on the bench on the shelf. */
function benchSaving({ bench, products, notice, attempt }: Saving) {
  const mix = shallowRef<Product & { seenAt: string }>()
  const taken = shallowRef<ReadonlySet<string>>(new Set())
  const currency = ref('EUR')
  const recipe = () => recipeOf(bench.value.by, bench.value.parts)

  async function openMix(id: string) {
    const { product, changedAt } = await call('/api/shelf/products/:id', { params: { id } })
    if (!product.recipe) return
    mix.value = { ...product, seenAt: changedAt }
    const { by, parts } = product.recipe
    const { amount = bench.value.amount, unit = 'g' } = product.uses[0]?.dose ?? {}
    bench.value = { by, parts, amount, unit }
  }
  const load = (mixId: string | undefined) =>
    attempt(async () => {
      const [list, reply] = await Promise.all([call('/api/shelf/products'), call('/api/shelf')])
      products.value = list
      currency.value = reply.currency
      taken.value = new Set(reply.products.map(({ id }) => id))
      if (mixId !== undefined) await openMix(mixId)
    })
  /** Writes the ratio over the mix that was opened. */
  const saveOver = () =>
    attempt(async () => {
      const { seenAt, ...product } = mix.value!
      const changed = { ...product, recipe: recipe(), stock: 0 }
      const { changedAt } = await putProduct(changed, seenAt)
      mix.value = { ...changed, seenAt: changedAt }
      notice.value = `${product.name} is changed.`
    })
  async function putOnShelf(own: OwnRules) {
    const { amount, unit } = bench.value
    const product = asHouseMix(own, recipe(), { amount, unit }, taken.value)
    await putProduct(product)
    taken.value = new Set([...taken.value, product.id])
    await openMix(product.id)
    notice.value = `${product.name} is on the shelf, among the house mixes.`
    return true
  }
  /** Keeps it as a house mix with rules of its own; true when it is on the shelf. */
  const saveNew = async (own: OwnRules) => (await attempt(() => putOnShelf(own))) ?? false
  return { mix, currency, load, saveOver, saveNew }
}
