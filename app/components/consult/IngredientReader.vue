<script setup lang="ts">
import type { Product } from '#core/catalog'
import type { Fact } from '#core/client'
import { chosenText } from '~/support/files'
import { listForClient } from '~/support/consult/ingredient-list'
import { orNone } from '~/support/options'

/** Reads the list of any product for this client: one of the shelf, or what the client brought along. */
const props = defineProps<{ facts: ReadonlyMap<string, Fact>; products: readonly Product[] }>()
const open = ref(false)
const typed = ref('')
const trouble = ref('')
const reading = computed(() =>
  typed.value.trim() === '' ? undefined : listForClient(typed.value, props.facts),
)
const chosenId = ref('')
const choices = computed(() => {
  const named = props.products.map(({ id, name, inci }) => ({
    value: id,
    words: inci ? name : `${name}, no list`,
  }))
  named.sort((a, b) => a.words.localeCompare(b.words))
  return orNone(named, 'none of these')
})

async function take(event: Event) {
  const chosen = await chosenText(event, { bytes: 200_000, what: 'an ingredient list' })
  trouble.value = chosen && 'trouble' in chosen ? chosen.trouble : ''
  if (chosen && 'text' in chosen) typed.value = chosen.text
}
function choose(id: string) {
  chosenId.value = id
  const product = props.products.find((candidate) => candidate.id === id)
  const isUnread = product && !product.inci
  trouble.value = isUnread
    ? `${product.name} has no ingredient list: not checked, never clear.`
    : ''
  typed.value = product?.inci ?? ''
}
const SIGNS = { allergic: '⊘ ', 'may cross': '! ', no: '' } as const
</script>

<template>
  <div>
    <button type="button" class="rung" @click="open = true">Read an ingredient list …</button>
    <PlainDialog :open="open" full title="Ingredient list" @close="open = false">
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6">
        <div class="flex flex-col gap-3">
          <div class="flex items-end gap-3">
            <FieldChoice
              class="flex-1"
              plain
              grows
              label="From the shelf"
              :value="chosenId"
              :options="choices"
              @change="choose"
            />
            <label class="rung cursor-pointer">
              From a file<input
                type="file"
                accept="text/plain,.txt"
                class="sr-only"
                aria-label="Ingredient list from a file"
                @change="take"
              />
            </label>
          </div>
          <label class="flex flex-col gap-1">
            Paste it as printed
            <textarea
              v-model="typed"
              class="field py-2 h-[22rem] resize-none"
              spellcheck="false"
              placeholder="Aqua, Glycerin, …"
            />
          </label>
          <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
        </div>
        <div
          class="max-h-[34rem] overflow-y-auto"
          aria-live="polite"
          tabindex="0"
          role="region"
          aria-label="What the list says"
        >
          <p v-if="!reading" class="text-soft">
            What is in it for this client stands here: allergens with the ingredients behind them,
            actives, and what this book does not know.
          </p>
          <template v-else>
            <p
              v-if="reading.notChecked"
              role="alert"
              class="px-3 py-2 mb-3 bg-mind-ground border-l-4 border-mind"
            >
              <span class="font-semibold text-mind">Not checked.</span> {{ reading.notChecked }}
            </p>
            <p class="text-soft">{{ reading.count }} ingredients</p>
            <ul class="border-t border-line mt-1" aria-label="Allergens in the list">
              <li
                v-for="family in reading.families"
                :key="family.id"
                class="py-2 border-b border-hair"
              >
                <span class="font-semibold" :class="family.client === 'no' ? '' : 'text-mind'">
                  {{ SIGNS[family.client] }}{{ family.name }}
                </span>
                <span v-if="family.client !== 'no'" class="text-mind">
                  {{
                    family.client === 'allergic'
                      ? ': this client’s allergy'
                      : ': may cross with an allergy of this client'
                  }}
                </span>
                <span class="block text-sm text-soft">{{ family.printed }}</span>
              </li>
              <li v-if="reading.families.length === 0" class="py-2 border-b border-hair">
                No allergen of the list above{{
                  reading.notChecked ? ' in the part that was read' : ''
                }}.
              </li>
            </ul>
            <ul v-if="reading.actives.length" class="mt-3" aria-label="Actives in the list">
              <li
                v-for="active in reading.actives"
                :key="active.name"
                class="py-1.5 border-b border-hair flex justify-between gap-3"
              >
                <span class="font-semibold">
                  {{ active.name }}
                </span>
                <span class="text-sm text-soft text-right">{{ active.printed }}</span>
              </li>
            </ul>
            <p v-if="reading.unknown.length" class="mt-3">
              <span class="font-semibold text-now">Not known here, look for yourself:</span>
              {{ reading.unknown.join(' · ') }}
            </p>
          </template>
        </div>
      </div>
      <div class="flex justify-end mt-4">
        <button type="button" class="rung" @click="open = false">Close</button>
      </div>
    </PlainDialog>
  </div>
</template>
