<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import type { Fact, Known } from '#core/client'
import { allergensSaid } from '~/support/consult/allergens'
import type { AskedGroup } from '~/support/consult/consult'

/** Allergies among the groups: what this card and its stand-ins hold stands as words; anything else is typed, and may be the client's own word. */
const props = defineProps<{
  group: AskedGroup
  facts: ReadonlyMap<string, Fact>
  known: readonly Known[]
  plan: FittedPlan | undefined
  /** Ingredient families of the card. */ families: ReadonlySet<string>
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const typed = ref('')
const answered = (facts: Fact[]) => {
  emit('answer', facts)
  typed.value = ''
}
const isAnyKnown = computed(() => allergensSaid(props.facts).length > 0)
const none = () => emit('answer', [{ code: 'allergy:any', answer: 'no', askedOn: props.today }])
const noneWord = computed(() => {
  if (props.group.isDone) return '✓ Asked'
  return isAnyKnown.value ? 'Nothing else' : 'None known'
})
</script>

<template>
  <AskedGroup
    :group="group"
    :facts="facts"
    :known="known"
    :plan="plan"
    :today="today"
    :disabled="disabled"
  >
    <template #words>
      <AllergenChips
        :facts="facts"
        :typed="typed"
        :families="families"
        :today="today"
        :disabled="disabled"
        @answer="answered"
      >
        <input
          v-model="typed"
          class="field w-44"
          type="search"
          aria-label="Another allergen"
          placeholder="another: yarrow …"
          :disabled="disabled"
        />
      </AllergenChips>
    </template>
    <template #none>
      <button
        type="button"
        class="pick self-start w-36 min-h-[56px]"
        :aria-pressed="group.isDone"
        :disabled="disabled"
        @click="none"
      >
        {{ noneWord }}
      </button>
    </template>
    <template #more>
      <AllergyRows
        :facts="facts"
        :plan="plan"
        :today="today"
        :disabled="disabled"
        @answer="emit('answer', $event)"
      />
    </template>
  </AskedGroup>
</template>
