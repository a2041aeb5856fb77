<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'
import type { Product } from '#core/catalog'
import { allergensSaid, allergyAnswer } from '~/support/consult/allergens'

/** Every family of allergens, the client's own words, and any ingredient list read for this client. */
const props = defineProps<{
  facts: ReadonlyMap<string, Fact>
  plan: FittedPlan | undefined
  products: readonly Product[]
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const typed = ref('')
const none = computed(
  () => allergyAnswer(props.facts, 'any') === 'no' && allergensSaid(props.facts).length === 0,
)
</script>

<template>
  <section aria-label="Allergies" class="mt-6">
    <div class="flex items-center gap-4 border-b border-line pb-2">
      <h2 class="text-xl flex-1">Allergies and reactions</h2>
      <input
        v-model="typed"
        class="field w-56"
        type="search"
        aria-label="Search allergies"
        placeholder="aspirin, papaya …"
      />
    </div>
    <div class="flex flex-wrap gap-1.5 pt-3">
      <button
        type="button"
        class="pick"
        :aria-pressed="none"
        :disabled="disabled"
        @click="emit('answer', [{ code: 'allergy:any', answer: 'no', askedOn: today }])"
      >
        None known
      </button>
      <AllergenChips
        :facts="facts"
        :typed="typed"
        :today="today"
        :disabled="disabled"
        @answer="emit('answer', $event)"
      />
    </div>
    <IngredientReader :facts="facts" :products="products" class="mt-3" />
    <AllergyRows
      :facts="facts"
      :plan="plan"
      :today="today"
      :disabled="disabled"
      @answer="emit('answer', $event)"
    />
  </section>
</template>
