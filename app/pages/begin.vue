<script setup lang="ts">
import { call } from '~/support/api'

/** What a salon brings along: its shelf, its clients, its cards, each from a file. */
const session = useSessionStore()
const today = computed(() => session.salon?.today ?? '')
const { shown: shelf, trouble, reread } = useChanges(() => call('/api/shelf'))
const { taken, busy, take } = useCardFiles()
const open = ref<'shelf' | 'clients'>()
const folded = ref<readonly number[]>([])
const fold = (part: number) => {
  folded.value = folded.value.includes(part)
    ? folded.value.filter((other) => other !== part)
    : [...folded.value, part]
}
const clientsTaken = ref(false)
const products = computed(() => shelf.value?.products ?? [])
async function cards(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  await take(files)
  await reread()
}
const shelfWords = computed(() =>
  products.value.length === 0
    ? 'A table (CSV) with a line for each product: its name and kind, and what else you know.'
    : `${products.value.length} products are on the shelf.`,
)
const clientWords = computed(() =>
  clientsTaken.value
    ? '✓ Taken in. They are under Clients.'
    : 'A table (CSV) or vCards: a name and a birthday of each.',
)
function clientsIn() {
  open.value = undefined
  clientsTaken.value = true
}
</script>

<template>
  <div class="w-full max-w-4xl mx-auto px-6 pt-6">
    <header class="pl-16 mb-2">
      <h1 class="text-4xl">Bring in what you have</h1>
      <p class="mt-1 text-soft">
        In this order, or another; what you do not have is passed over, and each can be done later
        too.
      </p>
    </header>
    <p v-if="trouble" role="alert" class="pl-16 text-mind font-medium">{{ trouble }}</p>
    <p v-if="!session.can('salon.write')" class="pl-16 text-lg">
      The owner of the salon brings files in.
    </p>
    <ol v-else>
      <PartRung
        :number="1"
        title="The shelf"
        :summary="shelfWords"
        :open="!folded.includes(1)"
        :is-last="false"
        @open="fold(1)"
      >
        <p class="mb-3 max-w-[70ch]" role="status">{{ shelfWords }}</p>
        <button type="button" class="rung" @click="open = 'shelf'">Shelf file …</button>
      </PartRung>
      <PartRung
        :number="2"
        title="Clients"
        :summary="clientWords"
        :open="!folded.includes(2)"
        :is-last="false"
        @open="fold(2)"
      >
        <p class="mb-3 max-w-[70ch]" role="status">
          {{ clientWords }}
        </p>
        <button type="button" class="rung" @click="open = 'clients'">Clients’ file …</button>
      </PartRung>
      <PartRung
        :number="3"
        title="Cards and bundles"
        :summary="`${taken.filter(({ isIn }) => isIn).length} taken in`"
        :open="!folded.includes(3)"
        is-last
        @open="fold(3)"
      >
        <p class="mb-3 max-w-[70ch]">
          Files of this product, as many as you like at once. Each card becomes a draft to look at
          and publish; products and devices it names come along, uncounted.
        </p>
        <label
          class="rung cursor-pointer focus-within:outline focus-within:outline-3 focus-within:outline-now"
        >
          {{ busy ? 'Reading …' : 'Card files …'
          }}<input
            type="file"
            accept=".json,application/json"
            multiple
            class="sr-only"
            :disabled="busy"
            @change="cards"
          />
        </label>
        <ul class="mt-3" aria-live="polite" aria-label="Files">
          <li v-for="(file, at) in taken" :key="at" class="py-1.5 border-b border-hair">
            <span class="font-semibold" :class="file.isIn ? 'text-calm' : 'text-mind'"
              >{{ file.isIn ? '✓' : '⊘' }} {{ file.name }}</span
            >
            {{ file.says }}
          </li>
        </ul>
      </PartRung>
    </ol>
    <div class="sticky bottom-0 pl-16 py-3 bg-ground border-t border-line">
      <NuxtLink to="/" class="rung rung-strong !min-h-[56px] px-8 text-lg">To Today</NuxtLink>
    </div>
    <LazyShelfImport
      v-if="open === 'shelf'"
      :today="today"
      :currency="shelf?.currency ?? 'EUR'"
      :known="products"
      @close="open = undefined"
      @taken="reread()"
    />
    <LazyClientFile
      v-if="open === 'clients'"
      :today="today"
      @close="open = undefined"
      @taken="clientsIn"
    />
  </div>
</template>
