<script setup lang="ts">
import { WATER } from '#core/catalog'
import { partName } from '#core/mixing'
import type { BenchPart, OwnRules } from '~/support/shelf/bench'

const MOST_PARTS = 8
const bench = useBench()
const { history, products, mix, trouble, notice, result } = bench
const { query } = useRoute()
onMounted(() => bench.load(typeof query.mix === 'string' ? query.mix : undefined))
const lying = bench.bench
const scaling = ref<number>()
const saving = ref(false)
const productById = computed(() => new Map(products.value.map((product) => [product.id, product])))
const nameOf = (part: BenchPart) => partName(part.productId, productById.value.get(part.productId))
const choices = computed(() => [
  { value: WATER, words: 'Water' },
  ...[...products.value]
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name, stock }) => ({ value: id, words: stock <= 0 ? `${name}, out` : name })),
])
const faults = computed(() => result.value?.scaled.faults ?? [])
const faultOf = (part: BenchPart) =>
  faults.value.findLast((fault) => fault.productId === part.productId)
const whyStopped = computed(() => {
  if (!result.value) return 'Put at least two parts on the bench first.'
  return faults.value.find(({ kind }) => kind === 'limit' || kind === 'missing')?.says
})
function complain(says: string) {
  trouble.value = says
}
async function save(own: OwnRules) {
  if (await bench.saveNew(own)) saving.value = false
}
function keep() {
  if (mix.value) void bench.saveOver()
  else saving.value = true
}
function fresh() {
  bench.clear()
  void navigateTo('/shelf/bench')
}
function weighed(at: number, weighedG: number) {
  bench.part(at, { weighedG })
  scaling.value = undefined
}
</script>

<template>
  <div class="px-7 max-md:px-4 py-5 w-full max-w-[1400px] mx-auto">
    <NuxtLink class="text-link text-sm" :to="{ path: '/shelf', query: { part: 'House mixes' } }"
      >Shelf</NuxtLink
    >
    <header class="flex flex-wrap items-end gap-3 mb-4">
      <h1 class="text-4xl mr-auto">
        {{ mix ? mix.name : 'Mix bench'
        }}<span class="text-soft text-xl ml-3">{{ mix ? 'on the bench' : '' }}</span>
      </h1>
      <p v-if="notice" role="status" class="text-calm pb-3">✓ {{ notice }}</p>
      <button
        type="button"
        class="rung"
        v-off="!history.canUndo.value && 'Nothing was changed here yet.'"
        @click="history.undo()"
      >
        Undo
      </button>
      <button type="button" class="rung" @click="fresh">Clear the bench</button>
      <button type="button" class="rung rung-strong" v-off="whyStopped" @click="keep">
        {{ mix ? 'Keep the change' : 'Keep as a house mix' }}
      </button>
    </header>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <div
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_19rem] gap-8 items-start"
    >
      <div>
        <BenchAmount
          :amount="lying.amount"
          :unit="lying.unit"
          :by="lying.by"
          @change="bench.put"
          @bad="complain"
        />
        <div
          v-if="lying.parts.length"
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
          v-for="(part, at) in lying.parts"
          :key="at"
          class="border-b border-hair py-2"
          role="group"
          :aria-label="nameOf(part)"
        >
          <BenchRow
            :part="part"
            :nr="at + 1"
            :name="nameOf(part)"
            :choices="choices"
            :line="result?.scaled.lines[at]"
            @change="bench.part(at, $event)"
            @grams="bench.setGrams(at, $event)"
            @weigh="scaling = at"
            @remove="bench.drop(at)"
            @bad="complain"
          />
          <BenchShare
            v-if="result"
            :share="result.scaled.lines[at]?.share ?? 0"
            :additive="productById.get(part.productId)?.additive"
            :fault="faultOf(part)"
            @parts="bench.part(at, { parts: $event })"
          />
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
          <FieldChoice
            beside
            grows
            name="Add a part"
            unset="add a part …"
            value=""
            :options="choices"
            :disabled="lying.parts.length >= MOST_PARTS"
            @change="bench.add"
          />
          <p v-if="lying.parts.length < 2" class="text-soft">
            A base first, then what is stirred in; water makes it a dilution.
          </p>
        </div>
      </div>
      <aside
        v-if="result"
        class="border-l border-line pl-6 flex flex-col gap-5 sticky top-4"
        aria-label="What it becomes"
      >
        <BenchOutcome :result="result" :currency="bench.currency.value" @adopt="bench.asWeighed" />
      </aside>
    </div>
    <KeepMixDialog :open="saving" :trouble="trouble" @close="saving = false" @save="save" />
  </div>
</template>
