<script setup lang="ts">
import type { Taken } from '#core/costing'
import type { VisitUse } from '~/stores/visit'
import { figure } from '~/support/shelf/shelf'
import { takeNumber } from '~/support/typed'

/** What a visit took off the shelf: before signing as planned, to be put right; afterwards with its lots. */
const props = defineProps<{
  planned: readonly Taken[]
  used: readonly VisitUse[]
  locked: boolean
}>()
const amounts = defineModel<Record<string, number>>({ required: true })
const rows = computed(() =>
  props.planned.map((one) => ({ ...one, amount: amounts.value[one.productId] ?? one.amount })),
)
const trouble = ref('')
const set = (one: Taken, event: Event) =>
  takeNumber(
    event,
    one.name,
    (says) => {
      trouble.value = says
    },
    (value) => {
      amounts.value = { ...amounts.value, [one.productId]: value ?? 0 }
    },
  )
</script>

<template>
  <details class="mt-4">
    <summary class="min-h-[44px] flex items-center text-lg">
      What it took off the shelf
      <span class="text-soft text-base ml-2">
        {{ locked ? used.length : rows.length }} products</span
      >
    </summary>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <table class="w-full">
      <tbody>
        <template v-if="locked">
          <tr v-for="one in used" :key="`${one.productId}${one.lot}`" class="border-b border-hair">
            <td class="py-1.5">
              {{ one.name }}
            </td>
            <td class="text-soft">
              {{ one.lot ? `lot ${one.lot}` : '' }}
            </td>
            <td class="text-right whitespace-nowrap">{{ figure(one.amount) }} {{ one.unit }}</td>
          </tr>
        </template>
        <template v-else>
          <tr v-for="one in rows" :key="one.productId" class="border-b border-hair">
            <td class="py-1">
              {{ one.name }}<span v-if="one.lot" class="text-sm text-soft"> lot {{ one.lot }}</span>
            </td>
            <td class="text-right whitespace-nowrap">
              <input
                class="field !min-h-[36px] w-20 text-right"
                inputmode="decimal"
                v-shown="figure(one.amount)"
                :aria-label="`${one.name}, ${one.unit} used`"
                @change="set(one, $event)"
              />
              {{ one.unit }}
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </details>
</template>
