<script setup lang="ts">
import type { Taken } from '#core/costing'
import type { VisitUse } from '~/stores/visit'
import { figure } from '~/support/shelf/shelf'
import { takeNumber } from '~/support/typed'

/** What a visit took off the shelf: before signing as planned, to be put right; afterwards with its lots. One touch says that the client will not have a thing again. */
const props = defineProps<{
  planned: readonly Taken[]
  used: readonly VisitUse[]
  locked: boolean
}>()
const amounts = defineModel<Record<string, number>>({ required: true })
const rows = computed(() =>
  props.planned.map((use) => ({ ...use, amount: amounts.value[use.productId] ?? use.amount })),
)
const trouble = ref('')
const set = (taken: Taken, event: Event) =>
  takeNumber(
    event,
    taken.name,
    (says) => {
      trouble.value = says
    },
    (value) => {
      amounts.value = { ...amounts.value, [taken.productId]: value ?? 0 }
    },
  )
const { amountOf } = useMeasures()
const memories = useMemories()
</script>

<template>
  <details class="mt-4">
    <summary class="min-h-[44px] flex items-center text-lg">
      What it took off the shelf
      <span class="text-soft text-base ml-2">
        {{ locked ? used.length : rows.length }} products</span
      >
    </summary>
    <p v-if="trouble || memories.trouble.value" role="alert" class="text-mind">
      {{ trouble || memories.trouble.value }}
    </p>
    <table class="w-full">
      <tbody>
        <template v-if="locked">
          <tr v-for="use in used" :key="`${use.productId}${use.lot}`" class="border-b border-hair">
            <td class="py-1.5">
              {{ use.name }}
            </td>
            <td class="text-soft">
              {{ use.lot ? `lot ${use.lot}` : '' }}
            </td>
            <td class="text-right whitespace-nowrap">{{ amountOf(use.amount, use.unit) }}</td>
            <td class="pl-2 text-right"
              ><NotAgain :memories="memories" :product-id="use.productId" :name="use.name"
            /></td>
          </tr>
        </template>
        <template v-else>
          <tr v-for="row in rows" :key="row.productId" class="border-b border-hair">
            <td class="py-1">
              {{ row.name
              }}<span v-if="row.lot" class="block text-sm text-soft">lot {{ row.lot }}</span>
            </td>
            <td class="text-right whitespace-nowrap">
              <input
                class="field !min-h-[36px] w-20 text-right"
                inputmode="decimal"
                v-shown="figure(row.amount)"
                :aria-label="`${row.name}, ${row.unit} used`"
                @change="set(row, $event)"
              />
              <span class="inline-block w-7 text-left">{{ row.unit }}</span>
            </td>
            <td class="pl-2 py-1 text-right"
              ><NotAgain :memories="memories" :product-id="row.productId" :name="row.name"
            /></td>
          </tr>
        </template>
      </tbody>
    </table>
  </details>
</template>
