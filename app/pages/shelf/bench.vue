<script setup lang="ts">
import { CONSISTENCIES, PRODUCT_KINDS, WATER } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { partName } from '#core/mixing'
import { PHASES } from '#core/protocol'
import type { OwnRules } from '~/support/shelf/bench'
import { money } from '~/support/money'
import { figure } from '~/support/shelf/shelf'
import { takeNumber, textOf as text } from '~/support/typed'

type Written = { -readonly [K in keyof OwnRules]: OwnRules[K] }
const AMOUNTS = [6, 8, 12, 16, 30] as const
const {
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
} = useBench()
const { query } = useRoute()
onMounted(() => load(typeof query.mix === 'string' ? query.mix : undefined))
const scaling = ref<number>()
const saving = ref(false)
const own = ref<Written>({
  name: '',
  kind: 'mask',
  concern: 'calm',
  phase: 'mask',
  dwellMin: 10,
  restS: 0,
  standAlone: false,
  drying: false,
  consistency: 'smooth',
})
const byName = computed(() => [...products.value].sort((a, b) => a.name.localeCompare(b.name)))
const productOf = (id: string) => products.value.find((one) => one.id === id)
const limits = computed(
  () =>
    new Map(
      result.value?.scaled.faults
        .filter((one) => one.productId)
        .map((one) => [one.productId, one]) ?? [],
    ),
)
const stopped = computed(
  () =>
    result.value?.scaled.faults.some(
      (fault) => fault.kind === 'limit' || fault.kind === 'missing',
    ) ?? true,
)
/** Everything on the bench is above zero. */
const take = (event: Event, words: string, use: (value: number) => void) =>
  takeNumber(
    event,
    words,
    (says) => {
      trouble.value = says
    },
    (value) => {
      if (value !== undefined) use(value)
    },
    0.001,
    100_000,
  )
async function save() {
  if (await saveNew(own.value)) saving.value = false
}
const fresh = () => {
  clear()
  void navigateTo('/shelf/bench')
}
function weighed(at: number, weighedG: number) {
  part(at, { weighedG })
  scaling.value = undefined
}
function addChosen(event: Event) {
  add(text(event))
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <div class="px-7 py-5 w-full max-w-[1400px] mx-auto">
    <NuxtLink class="text-link text-sm" :to="{ path: '/shelf', query: { part: 'House mixes' } }"
      >Shelf</NuxtLink
    >
    <header class="flex items-end gap-3 mb-4">
      <h1 class="text-4xl mr-auto">
        {{ mix ? mix.name : 'Mix bench'
        }}<span class="text-soft text-xl ml-3">{{ mix ? 'on the bench' : '' }}</span>
      </h1>
      <p v-if="told" role="status" class="text-calm pb-3">✓ {{ told }}</p>
      <button type="button" class="rung" :disabled="!history.canUndo.value" @click="history.undo()">
        Undo
      </button>
      <button type="button" class="rung" @click="fresh">Clear the bench</button>
      <button
        type="button"
        class="rung rung-strong"
        :disabled="!result || stopped"
        @click="mix ? saveOver() : (saving = true)"
      >
        {{ mix ? 'Keep the change' : 'Keep as a house mix' }}
      </button>
    </header>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <div class="grid grid-cols-[minmax(0,1fr)_19rem] gap-8 items-start">
      <div>
        <div class="flex flex-wrap items-end gap-3 border-b border-line pb-3">
          <label class="flex flex-col gap-1 text-sm text-soft">
            Make
            <input
              class="field !text-ink text-xl w-24"
              inputmode="decimal"
              v-shown="bench.amount"
              @change="take($event, 'Make', (amount) => put({ amount }))"
            />
          </label>
          <select
            class="field"
            aria-label="Unit of the whole"
            :value="bench.unit"
            @change="put({ unit: text($event) as 'g' })"
          >
            <option>g</option>
            <option>mL</option>
          </select>
          <div class="flex gap-1" role="group" aria-label="Usual amounts">
            <button
              v-for="one in AMOUNTS"
              :key="one"
              type="button"
              class="pick"
              :aria-pressed="bench.amount === one"
              @click="put({ amount: one })"
            >
              {{ one }}
            </button>
          </div>
          <label class="flex flex-col gap-1 text-sm text-soft ml-auto">
            Parts are
            <select
              class="field !text-ink"
              :value="bench.by"
              @change="put({ by: text($event) as 'mass' })"
            >
              <option value="mass">grams to grams</option>
              <option value="volume">spoons to spoons</option>
            </select>
          </label>
        </div>
        <div
          v-if="bench.parts.length"
          class="grid grid-cols-[minmax(9rem,1fr)_4.5rem_5.5rem_8.5rem_6rem_2.5rem] gap-3 text-sm text-soft py-1.5"
        >
          <span>What goes in</span>
          <span>Parts</span>
          <span>Grams</span>
          <span>In the hand</span>
          <span>Scale</span>
          <span />
        </div>
        <div
          v-for="(one, at) in bench.parts"
          :key="at"
          class="border-b border-hair py-2"
          role="group"
          :aria-label="partName(one.productId, productOf(one.productId))"
        >
          <div
            class="grid grid-cols-[minmax(9rem,1fr)_4.5rem_5.5rem_8.5rem_6rem_2.5rem] gap-3 items-center"
          >
            <select
              class="field w-full"
              :value="one.productId"
              :aria-label="`Part ${at + 1}`"
              @change="part(at, { productId: text($event), weighedG: undefined })"
            >
              <option :value="WATER">Water</option>
              <option v-for="product in byName" :key="product.id" :value="product.id">
                {{ product.name }}{{ product.stock <= 0 ? ', out' : '' }}
              </option>
            </select>
            <input
              class="field w-full"
              inputmode="decimal"
              v-shown="one.parts"
              :aria-label="`Parts of ${partName(one.productId, productOf(one.productId))}`"
              @change="take($event, 'Parts', (parts) => part(at, { parts }))"
            />
            <input
              class="field w-full"
              inputmode="decimal"
              v-shown="result?.scaled.lines[at]?.grams ?? ''"
              :disabled="result?.scaled.lines[at]?.grams === undefined"
              :aria-label="`Grams of ${partName(one.productId, productOf(one.productId))}`"
              @change="take($event, 'Grams', (grams) => setGrams(at, grams))"
            />
            <span>
              {{
                result?.scaled.lines[at]?.inHand?.words ??
                (result?.scaled.lines[at]?.mL !== undefined
                  ? `${result.scaled.lines[at]!.mL} mL`
                  : 'weigh it')
              }}
              <span
                v-if="(result?.scaled.lines[at]?.inHand?.off ?? 0) > 0.1"
                class="block text-sm text-now"
              >
                gives {{ figure(result!.scaled.lines[at]!.inHand!.gives) }}
              </span>
            </span>
            <button
              type="button"
              class="pick text-sm whitespace-nowrap"
              :disabled="result?.scaled.lines[at]?.grams === undefined"
              @click="scaling = at"
            >
              {{ one.weighedG === undefined ? 'Weigh' : `${one.weighedG.toFixed(2)} g` }}
            </button>
            <button
              type="button"
              class="min-h-[44px]"
              :aria-label="`Take ${partName(one.productId, productOf(one.productId))} out`"
              @click="drop(at)"
            >
              ×
            </button>
          </div>
          <svg
            v-if="result"
            viewBox="0 0 600 8"
            preserveAspectRatio="none"
            class="w-full h-2 mt-1.5"
            aria-hidden="true"
          >
            <rect width="600" height="8" fill="var(--sunk)" />
            <rect
              height="8"
              :width="600 * (result.scaled.lines[at]?.share ?? 0)"
              :fill="
                limits.get(one.productId)?.kind === 'limit' ? 'var(--mind)' : 'var(--hands-soft)'
              "
            />
            <line
              v-if="productOf(one.productId)?.additive"
              :x1="6 * productOf(one.productId)!.additive!.mostPercent"
              :x2="6 * productOf(one.productId)!.additive!.mostPercent"
              y1="0"
              y2="8"
              stroke="var(--mind)"
              stroke-width="2"
            />
          </svg>
          <p
            v-if="limits.get(one.productId)"
            class="text-sm mt-1"
            :class="
              limits.get(one.productId)!.kind === 'limit' ? 'text-mind font-semibold' : 'text-soft'
            "
          >
            {{ limits.get(one.productId)!.kind === 'limit' ? '! ' : ''
            }}{{ limits.get(one.productId)!.says
            }}<button
              v-if="limits.get(one.productId)!.mostParts"
              type="button"
              class="text-link ml-2 min-h-[32px]"
              @click="part(at, { parts: limits.get(one.productId)!.mostParts! })"
            >
              {{ limits.get(one.productId)!.mostParts }} parts keep it
            </button>
          </p>
          <BenchScale
            v-if="scaling === at && result?.scaled.lines[at]?.grams"
            :key="`scale${at}`"
            class="mt-2"
            :grams="result.scaled.lines[at]!.grams!"
            :name="result.scaled.lines[at]!.name"
            @weighed="weighed(at, $event)"
            @close="scaling = undefined"
          />
        </div>
        <div class="flex items-center gap-3 mt-3">
          <select
            class="field"
            aria-label="Add a part"
            value=""
            :disabled="bench.parts.length >= 8"
            @change="addChosen"
          >
            <option value="">add a part …</option>
            <option :value="WATER">Water</option>
            <option v-for="product in byName" :key="product.id" :value="product.id">
              {{ product.name }}{{ product.stock <= 0 ? ', out' : '' }}
            </option>
          </select>
          <p v-if="bench.parts.length < 2" class="text-soft">
            A base first, then what is stirred in; water makes it a dilution.
          </p>
        </div>
      </div>
      <aside
        v-if="result"
        class="border-l border-line pl-6 flex flex-col gap-5 sticky top-4"
        aria-label="What it becomes"
      >
        <section>
          <h2 class="text-xl border-b border-line pb-1">In the bowl</h2>
          <p class="mt-2">
            <span class="display text-4xl">{{ result.scaled.total.amount }}</span>
            {{ result.scaled.total.unit }}
            <span class="text-soft">{{
              result.scaled.grams === undefined || result.scaled.mL === undefined
                ? ''
                : result.scaled.total.unit === 'g'
                  ? `about ${figure(result.scaled.mL)} mL`
                  : `about ${figure(result.scaled.grams)} g`
            }}</span>
          </p>
          <p
            v-for="fault in result.scaled.faults.filter((one) => one.kind === 'weigh')"
            :key="fault.says"
            class="text-now mt-1"
          >
            {{ fault.says }}
          </p>
        </section>
        <section aria-label="Actives of the mix">
          <h2 class="text-xl border-b border-line pb-1">Actives</h2>
          <p
            v-for="active in result.actives"
            :key="active.name"
            class="flex justify-between border-b border-hair py-1.5"
          >
            <span>
              {{ active.name }}
              <span class="block text-sm text-soft">{{ active.from.join(', ') }}</span>
            </span>
            <span class="font-semibold">{{ figure(active.percent) }} %</span>
          </p>
          <p v-if="result.actives.length === 0" class="py-1.5 text-soft">
            None that are written on the parts.
          </p>
          <p class="text-sm text-soft pt-1">
            The pH of a mix is not predicted; the stricter rule of its parts counts.
          </p>
        </section>
        <section v-if="result.weighed" aria-label="As weighed">
          <h2 class="text-xl border-b border-line pb-1">As weighed</h2>
          <p class="py-1.5">
            {{ result.weighed.grams.toFixed(2) }} g<span
              v-for="active in result.weighed.actives"
              :key="active.name"
            >
              · {{ active.name }} {{ figure(active.percent) }} %</span
            >
          </p>
          <p
            v-for="fault in result.weighed.faults.filter((one) => one.kind === 'limit')"
            :key="fault.says"
            class="text-mind font-semibold"
          >
            ! {{ fault.says }}
          </p>
          <button type="button" class="pick text-sm" @click="asWeighed">
            Make these weights the recipe
          </button>
        </section>
        <section aria-label="What it is">
          <h2 class="text-xl border-b border-line pb-1">For the rules it is</h2>
          <p class="py-1.5">
            {{ result.is.join(', ') || 'nothing they mind' }}
          </p>
          <p v-if="result.unread" class="text-mind">
            <span class="font-semibold">Not checked:</span> a part has no ingredient list.
          </p>
          <p v-else-if="result.allergens.length" class="text-soft text-sm">
            In it: {{ result.allergens.join(', ') }}
          </p>
        </section>
        <p class="border-t border-line pt-2 flex justify-between">
          <span>Costs</span>
          <span class="font-semibold">{{ money(result.costMinor, currency) }}</span>
        </p>
        <p v-if="result.unpriced.length" class="text-sm text-now">
          No price: {{ result.unpriced.join(', ') }}
        </p>
      </aside>
    </div>
    <PlainDialog :open="saving" title="Keep as a house mix" wide @close="saving = false">
      <form class="flex flex-col gap-4" @submit.prevent="save">
        <label class="flex flex-col gap-1">
          Name
          <input v-model="own.name" class="field" required minlength="2" maxlength="120" />
        </label>
        <div class="grid grid-cols-3 gap-3">
          <label class="flex flex-col gap-1 text-sm text-soft">
            Kind
            <select v-model="own.kind" class="field !text-ink">
              <option v-for="one in PRODUCT_KINDS" :key="one" :value="one">{{
                one.replaceAll('-', ' ')
              }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            For
            <select v-model="own.concern" class="field !text-ink">
              <option v-for="one in CONCERNS" :key="one">{{ one }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Phase
            <select v-model="own.phase" class="field !text-ink">
              <option v-for="one in PHASES" :key="one" :value="one">{{
                one.replaceAll('-', ' ')
              }}</option>
            </select>
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Stays on, min
            <input
              v-model.number="own.dwellMin"
              type="number"
              min="0"
              max="60"
              class="field !text-ink"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Rests first, s
            <input
              v-model.number="own.restS"
              type="number"
              min="0"
              max="1800"
              class="field !text-ink"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Consistency
            <select v-model="own.consistency" class="field !text-ink">
              <option v-for="one in CONSISTENCIES" :key="one">{{ one }}</option>
            </select>
          </label>
        </div>
        <div class="flex gap-6">
          <label class="flex items-center gap-2">
            <input v-model="own.standAlone" type="checkbox" />
            stands alone, nothing over it
          </label>
          <label class="flex items-center gap-2">
            <input v-model="own.drying" type="checkbox" />
            drying: short on surface-dry skin
          </label>
        </div>
        <p class="text-sm text-soft">
          These belong to the mix, whatever its base says. Ingredients, actives, stock and price
          follow from the parts.
        </p>
        <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
        <div class="flex justify-end gap-3">
          <button type="button" class="rung" @click="saving = false">Cancel</button>
          <button type="submit" class="rung rung-strong">Keep it</button>
        </div>
      </form>
    </PlainDialog>
  </div>
</template>
