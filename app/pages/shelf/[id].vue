<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import {
  CASTS,
  EMERGENCY_OFF,
  GREASES,
  LEAVES,
  PRODUCT_KINDS,
  SENSATIONS,
  SKIN_STATES,
  TEXTURES,
  VEHICLES,
  type Listed,
  type Product,
} from '#core/catalog'
import { CONCERNS } from '#core/client'
import { PROPERTIES, propertyWords, type Property } from '#core/protocol'
import { call } from '~/support/api'
import { minorTyped, money, moneyField } from '~/support/money'
import { takeNumber, textOf as text } from '~/support/typed'
import { figure } from '~/support/shelf/shelf'

const session = useSessionStore()
const id = String(useRoute().params.id)
const today = computed(() => session.salon?.today ?? '')
const bench = useProduct(id, () => today.value)
const { product, batches, trouble, state, archived, isNew } = bench
const list = shallowRef<Listed[]>([])
const currency = ref('EUR')
const disabled = computed(() => session.account?.role === 'front_desk')
onMounted(async () => {
  await bench.load()
  const reply = await call<{ products: Listed[]; currency: string }>('/api/shelf')
  list.value = reply.products
  currency.value = reply.currency
})
const bad = (says: string) => {
  trouble.value = says
}
const take = (
  event: Event,
  words: string,
  use: (value: number | undefined) => void,
  least = 0,
  most = 1_000_000,
) => takeNumber(event, words, bad, use, least, most)
const put = bench.put
const active = (at: number, more: Partial<Product['actives'][number]>) =>
  put({
    actives: product.value!.actives.map((one, index) => (index === at ? { ...one, ...more } : one)),
  })
const flip = <T,>(all: readonly T[], one: T): T[] =>
  all.includes(one) ? all.filter((other) => other !== one) : [...all, one]
const expect = (at: number, more: Partial<Product['expected'][number]>) =>
  put({
    expected: product.value!.expected.map((one, index) =>
      index === at ? { ...one, ...more } : one,
    ),
  })
function pack(key: 'amount' | 'priceMinor', event: Event) {
  const now = product.value!.pack ?? { amount: 100, priceMinor: 0 }
  if (key === 'amount')
    return take(
      event,
      'A pack holds',
      (amount) => amount !== undefined && put({ pack: { ...now, amount } }),
      0.001,
    )
  const priceMinor = minorTyped(text(event), currency.value)
  if (typeof priceMinor !== 'number')
    return bad(`“${text(event)}” is not a price. The old one stays.`)
  bad('')
  put({ pack: { ...now, priceMinor } })
}
const finish = (more: Partial<NonNullable<Product['finish']>>) =>
  put({ finish: { cast: 'none', grease: 'satin', tint: false, ...product.value!.finish, ...more } })
const others = computed(() =>
  list.value
    .filter((one) => one.id !== id && !one.archived)
    .sort(
      (a, b) =>
        Number(b.kind === product.value?.kind) - Number(a.kind === product.value?.kind) ||
        a.name.localeCompare(b.name),
    ),
)
const nameOf = (other: string) => list.value.find((one) => one.id === other)?.name ?? other
async function create() {
  const made = await bench.create(new Set(list.value.map((one) => one.id)))
  if (made) await navigateTo(`/shelf/${made}`)
}
const undo = () => bench.history.undo()
onKeyStroke('z', (event) => {
  if (
    (event.ctrlKey || event.metaKey) &&
    !(event.target as HTMLElement).matches('input, textarea')
  ) {
    event.preventDefault()
    undo()
  }
})
const perUnit = computed(() =>
  product.value?.pack
    ? `${money(Math.round((product.value.pack.priceMinor / product.value.pack.amount) * 100) / 100, currency.value)} a ${bench.shown.value?.unit ?? 'g'}`
    : '',
)
const COMMON: readonly Property[] = [
  'exfoliating',
  'acid',
  'enzyme',
  'heat',
  'warming',
  'stings',
  'drying',
  'tightening',
  'film-peel',
  'retinoid',
  'oil',
  'leave-on',
  'lip-safe',
  'eye-work',
  'over-lids',
  'face-only',
  'calming',
  'softening',
  'sun-filter',
  'toning',
  'cleansing',
  'needs-neutraliser',
  'stand-alone',
  'occlusive',
  'conductive',
]
const rest = computed(() => PROPERTIES.filter((one) => !COMMON.includes(one)))
function addSubstitute(event: Event) {
  put({ substitutes: [...(product.value!.substitutes ?? []), text(event)] })
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <div class="px-7 py-5 w-full max-w-[1400px] mx-auto">
    <NuxtLink
      class="text-link text-sm"
      :to="{ path: '/shelf', query: product?.recipe ? { part: 'House mixes' } : {} }"
      >Shelf</NuxtLink
    >
    <header class="flex items-end gap-3 mb-3">
      <h1 class="text-4xl mr-auto">
        {{ product?.name || (isNew ? 'New product' : ' ')
        }}<span v-if="archived" class="text-soft text-xl ml-3">put away</span>
      </h1>
      <p class="text-sm text-soft pb-3" role="status">{{
        { saved: 'Saved', saving: 'Saving …', waiting: 'Not saved', new: '' }[state]
      }}</p>
      <template v-if="!disabled && !isNew">
        <button type="button" class="rung" :disabled="!bench.history.canUndo.value" @click="undo">
          Undo
        </button>
        <button type="button" class="rung" @click="bench.putAway(!archived)">{{
          archived ? 'Back on the shelf' : 'Put away'
        }}</button>
      </template>
    </header>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <div v-if="product" class="grid grid-cols-[minmax(0,1fr)_21rem] gap-9 items-start">
      <fieldset :disabled="disabled" class="flex flex-col gap-6 min-w-0">
        <section class="grid grid-cols-4 gap-3" aria-label="What it is">
          <label class="flex flex-col gap-1 text-sm text-soft col-span-2">
            Name
            <input
              class="field !text-ink text-base"
              v-shown="product.name"
              maxlength="120"
              @input="isNew && put({ name: text($event) })"
              @change="text($event).trim() && put({ name: text($event).trim() })"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Kind
            <select
              class="field !text-ink"
              :value="product.kind"
              @change="put({ kind: text($event) as Product['kind'] })"
            >
              <option v-for="one in PRODUCT_KINDS" :key="one" :value="one">{{
                one.replaceAll('-', ' ')
              }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Texture, thin to thick
            <select
              class="field !text-ink"
              :value="product.texture ?? ''"
              @change="put({ texture: (text($event) || undefined) as Product['texture'] })"
            >
              <option value="">–</option>
              <option v-for="one in TEXTURES" :key="one">{{ one }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Dissolved in
            <select
              class="field !text-ink"
              :value="product.vehicle"
              @change="put({ vehicle: text($event) as Product['vehicle'] })"
            >
              <option v-for="one in VEHICLES" :key="one">{{ one }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            pH
            <input
              class="field !text-ink"
              inputmode="decimal"
              v-shown="product.pH ?? ''"
              @change="take($event, 'pH', (pH) => put({ pH }), 0, 14)"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Counted in
            <select
              class="field !text-ink"
              :value="product.unit ?? bench.shown.value?.unit ?? 'g'"
              @change="put({ unit: text($event) as 'g' })"
            >
              <option>g</option>
              <option>mL</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            When
            <select
              class="field !text-ink"
              :value="product.time ?? ''"
              @change="put({ time: (text($event) || undefined) as Product['time'] })"
            >
              <option value="">day or evening</option>
              <option value="day">by day</option>
              <option value="evening">evening</option>
            </select>
          </label>
        </section>
        <section aria-label="Actives">
          <h2 class="text-xl border-b border-line pb-1 mb-2">Actives</h2>
          <p v-if="product.recipe" class="text-soft">
            They follow from the parts of the mix.
            <NuxtLink class="text-link" :to="`/shelf/bench?mix=${product.id}`"
              >Open it on the bench</NuxtLink
            >
          </p>
          <div v-else class="flex flex-wrap gap-3">
            <div v-for="(one, at) in product.actives" :key="at" class="flex items-center gap-1">
              <input
                class="field w-36"
                v-shown="one.name"
                list="actives"
                :aria-label="`Active ${at + 1}`"
                @change="
                  text($event).trim() && active(at, { name: text($event).trim().toLowerCase() })
                "
              />
              <input
                class="field w-20"
                inputmode="decimal"
                v-shown="one.percent"
                :aria-label="`Percent of ${one.name}`"
                @change="
                  take(
                    $event,
                    `Percent of ${one.name}`,
                    (percent) => percent !== undefined && active(at, { percent }),
                    0,
                    100,
                  )
                "
              />
              %
              <button
                type="button"
                class="pick"
                :aria-label="`Take ${one.name} out`"
                @click="put({ actives: product.actives.filter((_, index) => index !== at) })"
              >
                ×
              </button>
            </div>
            <button
              type="button"
              class="rung"
              @click="put({ actives: [...product.actives, { name: 'lactic', percent: 5 }] })"
            >
              Another active
            </button>
          </div>
          <datalist id="actives">
            <option
              v-for="one in [
                'glycolic',
                'lactic',
                'mandelic',
                'malic',
                'tartaric',
                'citric',
                'salicylic',
                'azelaic',
                'pyruvic',
                'benzoyl peroxide',
                'sulfur',
                'niacinamide',
                'panthenol',
                'retinol',
                'retinal',
              ]"
              :key="one"
              :value="one"
            />
          </datalist>
        </section>
        <section aria-label="For">
          <div class="flex flex-wrap items-center gap-1.5">
            <span class="text-soft mr-2">For</span>
            <button
              v-for="one in CONCERNS"
              :key="one"
              type="button"
              class="pick"
              :aria-pressed="product.concerns.includes(one)"
              @click="put({ concerns: flip(product.concerns, one) })"
            >
              {{ one }}
            </button>
          </div>
        </section>
        <section v-if="!product.recipe" aria-label="Ingredients">
          <h2 class="text-xl border-b border-line pb-1 mb-2">Ingredient list, as printed</h2>
          <textarea
            class="field py-2 w-full h-28 resize-y"
            spellcheck="false"
            v-shown="product.inci ?? ''"
            placeholder="Aqua, Glycerin, …"
            aria-label="Ingredient list, as printed"
            @change="put({ inci: text($event).trim() || undefined })"
          />
        </section>
        <section aria-label="Uses">
          <h2 class="text-xl border-b border-line pb-1">Uses</h2>
          <ProductUses :product="product" @change="put({ uses: $event })" @bad="bad" />
        </section>
        <section aria-label="On the skin">
          <h2 class="text-xl border-b border-line pb-1 mb-2">On the skin</h2>
          <div class="grid grid-cols-4 gap-3">
            <label class="flex flex-col gap-1 text-sm text-soft">
              Goes on skin that is
              <select
                class="field !text-ink"
                :value="product.skin"
                @change="put({ skin: text($event) as Product['skin'] })"
              >
                <option v-for="one in SKIN_STATES" :key="one">{{ one }}</option>
              </select>
            </label>
            <label class="flex flex-col gap-1 text-sm text-soft">
              Leaves behind
              <select
                class="field !text-ink"
                :value="product.leaves"
                @change="put({ leaves: text($event) as Product['leaves'] })"
              >
                <option v-for="one in LEAVES" :key="one" :value="one">{{
                  one.replace('-', ' ')
                }}</option>
              </select>
            </label>
            <label class="flex flex-col gap-1 text-sm text-soft">
              Off in an emergency
              <select
                class="field !text-ink"
                :value="product.emergencyOff"
                @change="put({ emergencyOff: text($event) as Product['emergencyOff'] })"
              >
                <option v-for="one in EMERGENCY_OFF" :key="one">{{ one }}</option>
              </select>
            </label>
            <label class="flex items-center gap-2 self-end min-h-[44px]">
              <input
                type="checkbox"
                :checked="product.openSkinUse"
                @change="put({ openSkinUse: ($event.target as HTMLInputElement).checked })"
              />
              its maker states open skin
            </label>
            <label class="flex flex-col gap-1 text-sm text-soft">
              Cast
              <select
                class="field !text-ink"
                :value="product.finish?.cast ?? 'none'"
                @change="finish({ cast: text($event) as 'none' })"
              >
                <option v-for="one in CASTS" :key="one">{{ one }}</option>
              </select>
            </label>
            <label class="flex flex-col gap-1 text-sm text-soft">
              Finish
              <select
                class="field !text-ink"
                :value="product.finish?.grease ?? 'satin'"
                @change="finish({ grease: text($event) as 'satin' })"
              >
                <option v-for="one in GREASES" :key="one">{{ one }}</option>
              </select>
            </label>
            <label class="flex items-center gap-2 self-end min-h-[44px]">
              <input
                type="checkbox"
                :checked="product.finish?.tint ?? false"
                @change="finish({ tint: ($event.target as HTMLInputElement).checked })"
              />
              tinted
            </label>
          </div>
          <div class="flex flex-wrap gap-1.5 mt-3">
            <button
              v-for="one in COMMON"
              :key="one"
              type="button"
              class="pick !min-h-[38px] text-sm"
              :aria-pressed="product.properties.includes(one)"
              @click="put({ properties: flip(product.properties, one) })"
            >
              {{ propertyWords(one) }}
            </button>
          </div>
          <FoldAway class="mt-2">
            <template #summary>
              <span class="min-h-[40px] inline-flex items-center text-soft">
                Every property a rule knows
              </span>
            </template>
            <div class="flex flex-wrap gap-1.5">
              <button
                v-for="one in rest"
                :key="one"
                type="button"
                class="pick !min-h-[38px] text-sm"
                :aria-pressed="product.properties.includes(one)"
                @click="put({ properties: flip(product.properties, one) })"
              >
                {{ propertyWords(one) }}
              </button>
            </div>
          </FoldAway>
        </section>
        <section aria-label="What it should feel like">
          <h2 class="text-xl border-b border-line pb-1 mb-2">What it should feel like</h2>
          <div
            v-for="(one, at) in product.expected"
            :key="at"
            class="flex flex-wrap items-center gap-2 py-1"
          >
            <select
              class="field"
              :value="one.sensation"
              :aria-label="`Sensation ${at + 1}`"
              @change="expect(at, { sensation: text($event) as 'warm' })"
            >
              <option v-for="word in SENSATIONS" :key="word" :value="word">{{
                word.replaceAll('-', ' ')
              }}</option>
            </select>
            <label class="flex items-center gap-1 text-sm text-soft">
              from
              <input
                class="field !text-ink w-20"
                inputmode="numeric"
                v-shown="one.onsetS"
                @change="
                  take(
                    $event,
                    'Begins after, seconds',
                    (value) => value !== undefined && expect(at, { onsetS: Math.round(value) }),
                  )
                "
              />
              s
            </label>
            <label class="flex items-center gap-1 text-sm text-soft">
              until
              <input
                class="field !text-ink w-20"
                inputmode="numeric"
                v-shown="one.fadeS"
                @change="
                  take(
                    $event,
                    'Over after, seconds',
                    (value) => value !== undefined && expect(at, { fadeS: Math.round(value) }),
                  )
                "
              />
              s
            </label>
            <input
              class="field flex-1"
              v-shown="one.comfort"
              maxlength="160"
              placeholder="what helps"
              :aria-label="`What helps against ${one.sensation}`"
              @change="expect(at, { comfort: text($event) })"
            />
            <button
              type="button"
              class="pick"
              :aria-label="`Take ${one.sensation} out`"
              @click="put({ expected: product.expected.filter((_, index) => index !== at) })"
            >
              ×
            </button>
          </div>
          <button
            type="button"
            class="rung mt-1"
            @click="
              put({
                expected: [
                  ...product.expected,
                  { sensation: 'tingling', onsetS: 10, fadeS: 120, comfort: '' },
                ],
              })
            "
          >
            Another sensation
          </button>
        </section>
        <section aria-label="Mixing">
          <h2 class="text-xl border-b border-line pb-1 mb-2">Mixing</h2>
          <ProductMixing :product="product" @change="put($event)" @bad="bad" />
        </section>
        <section aria-label="Measures">
          <h2 class="text-xl border-b border-line pb-1 mb-2">Measures</h2>
          <MeasureHelper :product="product" @change="put($event)" @bad="bad" />
        </section>
        <section aria-label="Stands in">
          <h2 class="text-xl border-b border-line pb-1 mb-2">What stands in for it</h2>
          <p class="flex flex-wrap items-center gap-2">
            <span
              v-for="(other, at) in product.substitutes ?? []"
              :key="other"
              class="border border-line px-3 min-h-[40px] inline-flex items-center gap-2"
            >
              {{ at + 1 }} {{ nameOf(other) }}
              <button
                type="button"
                class="min-w-[32px] min-h-[32px]"
                :aria-label="`Take ${nameOf(other)} out`"
                @click="put({ substitutes: product.substitutes!.filter((one) => one !== other) })"
              >
                ×
              </button>
            </span>
            <select
              class="field"
              aria-label="Another that stands in"
              value=""
              @change="addSubstitute"
            >
              <option value="">add …</option>
              <option
                v-for="one in others.filter((other) => !product!.substitutes?.includes(other.id))"
                :key="one.id"
                :value="one.id"
              >
                {{ one.name }}
              </option>
            </select>
          </p>
        </section>
        <section aria-label="Note">
          <label class="flex flex-col gap-1 text-sm text-soft">
            Its maker says
            <textarea
              class="field py-2 !text-ink h-20"
              maxlength="2000"
              v-shown="product.note ?? ''"
              @change="put({ note: text($event).trim() || undefined })"
            />
          </label>
        </section>
        <div v-if="isNew" class="flex justify-end gap-3 border-t border-line pt-4">
          <NuxtLink class="rung" to="/shelf"> Cancel </NuxtLink>
          <button
            type="button"
            class="rung rung-strong"
            :disabled="product.name.trim() === ''"
            @click="create"
          >
            Put it on the shelf
          </button>
        </div>
      </fieldset>
      <aside
        class="flex flex-col gap-6 sticky top-4 max-h-[calc(100vh-2rem)] overflow-y-auto border-l border-line pl-6"
        tabindex="0"
        aria-label="What follows from it"
      >
        <section v-if="!isNew && !product.recipe" aria-label="Stock">
          <p>
            <span class="display text-4xl">{{ figure(bench.shown.value?.stock ?? 0) }}</span>
            {{ bench.shown.value?.unit ?? 'g' }} <span class="text-soft">to use</span>
          </p>
        </section>
        <ProductSays :product="product" />
        <BatchRows
          v-if="!isNew && !product.recipe"
          :product="product"
          :batches="batches"
          :current="bench.current.value?.id"
          :today="today"
          :disabled="disabled"
          @put="bench.putBatch"
          @bad="bad"
        />
        <section v-if="!product.recipe" aria-label="Pack">
          <h2 class="text-xl border-b border-line pb-1 mb-2">Pack</h2>
          <fieldset :disabled="disabled" class="grid grid-cols-2 gap-2">
            <label class="text-sm text-soft"
              >Holds, {{ product.unit ?? 'g'
              }}<input
                class="field w-full !text-ink"
                inputmode="decimal"
                v-shown="product.pack?.amount ?? ''"
                @change="pack('amount', $event)"
              />
            </label>
            <label class="text-sm text-soft"
              >Costs, {{ currency
              }}<input
                class="field w-full !text-ink"
                inputmode="decimal"
                v-shown="moneyField(product.pack?.priceMinor, currency)"
                @change="pack('priceMinor', $event)"
              />
            </label>
            <label class="text-sm text-soft col-span-2"
              >Keeps once opened, months<input
                class="field w-full !text-ink"
                inputmode="numeric"
                v-shown="product.afterOpeningMonths ?? ''"
                @change="
                  take(
                    $event,
                    'Months',
                    (value) =>
                      put({
                        afterOpeningMonths: value === undefined ? undefined : Math.round(value),
                      }),
                    1,
                    60,
                  )
                "
              />
            </label>
          </fieldset>
          <p class="text-soft text-sm mt-1">{{ perUnit }}</p>
        </section>
      </aside>
    </div>
  </div>
</template>
