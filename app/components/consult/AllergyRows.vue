<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'
import { changesBecause } from '~/support/fit/consequences'
import { allergensSaid, REACTIONS } from '~/support/consult/allergens'

/** What each known allergen does, and what it changes today. */
const props = defineProps<{
  facts: ReadonlyMap<string, Fact>
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const said = computed(() => allergensSaid(props.facts))
</script>

<template>
  <div v-for="{ code, name, fact } in said" :key="code" class="mt-3 pl-4 border-l-2 border-mind">
    <div
      class="flex items-center gap-2 flex-wrap"
      role="radiogroup"
      :aria-label="`What ${name} does`"
    >
      <span class="mr-2 font-semibold">{{ name }}</span>
      <button
        v-for="reaction in REACTIONS"
        :key="reaction.value"
        type="button"
        role="radio"
        class="pick text-sm"
        :aria-checked="fact.reaction === reaction.value"
        :disabled="disabled"
        @click="emit('answer', [{ ...fact, askedOn: today, reaction: reaction.value }])"
      >
        {{ reaction.word }}
      </button>
      <button
        type="button"
        class="pick text-sm"
        :disabled="disabled"
        @click="emit('answer', [{ code, answer: 'no', askedOn: today }])"
      >
        Not so
      </button>
    </div>
    <p v-for="(change, at) in changesBecause(plan, code)" :key="at" class="mt-1 text-sm">
      <span class="font-semibold">{{ change.what }}.</span>
    </p>
  </div>
</template>
