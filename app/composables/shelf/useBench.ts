import { useLocalStorage, useRefHistory } from '@vueuse/core'
import type { Product, Recipe } from '#core/catalog'
import { call } from '~/support/api'
import {
  asHouseMix,
  benchResult,
  recipeOf,
  type BenchPart,
  type OwnRules,
} from '~/support/shelf/bench'

interface Bench {
  by: Recipe['by']
  parts: readonly BenchPart[]
  amount: number
  unit: 'g' | 'mL'
}
const EMPTY: Bench = { by: 'mass', parts: [], amount: 12, unit: 'g' }

/** What lies on the mix bench: kept on this tablet, undone step by step, weighed, and saved as a house mix or over the one it was opened from. */
export function useBench() {
  const kept = useLocalStorage<Bench>('zen-bench', EMPTY, { shallow: true })
  const bench = shallowRef<Bench>(kept.value)
  const history = useRefHistory(bench, { capacity: 100 })
  watch(bench, (now) => {
    kept.value = now
  })
  const products = shallowRef<Product[]>([])
  const mix = shallowRef<Product & { seenAt: string }>()
  const taken = shallowRef<ReadonlySet<string>>(new Set())
  const currency = ref('EUR')
  const { trouble, attempt } = useAttempt()
  const told = ref('')

  const put = (more: Partial<Bench>) => {
    bench.value = { ...bench.value, ...more }
    told.value = ''
  }
  const part = (at: number, more: Partial<BenchPart>) =>
    put({
      parts: bench.value.parts.map((one, index) => (index === at ? { ...one, ...more } : one)),
    })
  const add = (productId: string) => put({ parts: [...bench.value.parts, { productId, parts: 1 }] })
  const drop = (at: number) => put({ parts: bench.value.parts.filter((_, index) => index !== at) })
  const result = computed(() =>
    products.value.length > 0
      ? benchResult(
          bench.value.by,
          bench.value.parts,
          { amount: bench.value.amount, unit: bench.value.unit },
          products.value,
        )
      : undefined,
  )
  /** The ratio that would have so many grams of one part in the bowl. */
  function setGrams(at: number, grams: number) {
    const line = result.value?.scaled.lines[at]?.grams
    if (grams > 0 && line)
      part(at, { parts: Math.round(bench.value.parts[at]!.parts * (grams / line) * 1000) / 1000 })
  }
  const asWeighed = () =>
    put({
      by: 'mass',
      parts: bench.value.parts.map((one) => ({ productId: one.productId, parts: one.weighedG! })),
    })

  async function openMix(id: string) {
    const { product, changedAt } = await call<{ product: Product; changedAt: string }>(
      `/api/shelf/products/${id}`,
    )
    if (!product.recipe) return
    mix.value = { ...product, seenAt: changedAt }
    const dose = product.uses[0]?.dose
    bench.value = {
      by: product.recipe.by,
      parts: product.recipe.parts,
      amount: dose?.amount ?? bench.value.amount,
      unit: dose?.unit ?? 'g',
    }
  }
  const load = (mixId: string | undefined) =>
    attempt(async () => {
      const [list, reply] = await Promise.all([
        call<Product[]>('/api/shelf/products'),
        call<{ currency: string; products: { id: string }[] }>('/api/shelf'),
      ])
      products.value = list
      currency.value = reply.currency
      taken.value = new Set(reply.products.map((one) => one.id))
      if (mixId !== undefined) await openMix(mixId)
    })
  /** Writes the ratio over the mix that was opened. */
  const saveOver = () =>
    attempt(async () => {
      const { seenAt, ...product } = mix.value!
      const changed = { ...product, recipe: recipeOf(bench.value.by, bench.value.parts), stock: 0 }
      const { changedAt } = await call<{ changedAt: string }>(`/api/shelf/products/${product.id}`, {
        method: 'PUT',
        body: { product: changed, seenAt },
      })
      mix.value = { ...changed, seenAt: changedAt }
      told.value = `${product.name} is changed.`
    })
  /** Keeps it as a house mix with rules of its own; true when it is on the shelf. */
  const saveNew = async (own: OwnRules) =>
    (await attempt(async () => {
      const product = asHouseMix(
        own,
        recipeOf(bench.value.by, bench.value.parts),
        { amount: bench.value.amount, unit: bench.value.unit },
        taken.value,
      )
      await call(`/api/shelf/products/${product.id}`, { method: 'PUT', body: { product } })
      taken.value = new Set([...taken.value, product.id])
      await openMix(product.id)
      told.value = `${product.name} is on the shelf, among the house mixes.`
      return true
    })) ?? false
  const clear = () => {
    mix.value = undefined
    put(EMPTY)
  }
  return {
    bench,
    history,
    products,
    mix,
    currency,
    trouble,
    told,
    result,
    put,
    part,
    add,
    drop,
    setGrams,
    asWeighed,
    load,
    saveOver,
    saveNew,
    clear,
  }
}
