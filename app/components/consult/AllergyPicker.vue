<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'
import { FAMILIES, type Product } from '#core/catalog'
import { changesBecause } from '~/support/fit/consequences'

const props = defineProps<{
  facts: ReadonlyMap<string, Fact>
  plan: FittedPlan | undefined
  products: readonly Product[]
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const typed = ref('')
const REACTIONS = [
  { value: 'rash', word: 'Rash' },
  { value: 'breathing', word: 'Breathing, hives, swelling' },
  { value: 'dislike', word: 'Dislikes it' },
] as const

const answerOf = (id: string) => props.facts.get(`allergy:${id}`)?.answer ?? 'unknown'
const none = computed(
  () => answerOf('any') === 'no' && !FAMILIES.some((family) => answerOf(family.id) === 'yes'),
)
const shown = computed(() => {
  const want = typed.value.trim().toLowerCase()
  return FAMILIES.filter(
    (family) =>
      answerOf(family.id) === 'yes' ||
      want === '' ||
      [family.name, ...family.saidAs].some((word) => word.toLowerCase().includes(want)),
  )
})
const said = computed(() => FAMILIES.filter((family) => answerOf(family.id) === 'yes'))
const say = (code: string, answer: Fact['answer'], more: Partial<Fact> = {}): Fact => ({
  code: `allergy:${code}`,
  answer,
  askedOn: props.today,
  ...more,
})
const flip = (id: string) =>
  emit('answer', [
    say(id, answerOf(id) === 'yes' ? 'no' : 'yes'),
    ...(answerOf('any') === 'unknown' ? [say('any', 'no')] : []),
  ])
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
        @click="emit('answer', [say('any', 'no')])"
      >
        None known
      </button>
      <button
        v-for="family in shown"
        :key="family.id"
        type="button"
        class="pick pick-mind"
        :aria-pressed="answerOf(family.id) === 'yes'"
        :disabled="disabled"
        @click="flip(family.id)"
      >
        {{ family.name }}
      </button>
      <p v-if="shown.length === 0" class="py-2 text-soft">
        Nothing in the list under that name. Read the product’s ingredient list with the client.
      </p>
    </div>
    <IngredientReader :facts="facts" :products="products" class="mt-3" />
    <div v-for="family in said" :key="family.id" class="mt-3 pl-4 border-l-2 border-mind">
      <div
        class="flex items-center gap-2 flex-wrap"
        role="radiogroup"
        :aria-label="`What ${family.name} does`"
      >
        <span class="mr-2 font-semibold">
          {{ family.name }}
        </span>
        <button
          v-for="reaction in REACTIONS"
          :key="reaction.value"
          type="button"
          role="radio"
          class="pick text-sm"
          :aria-checked="facts.get(`allergy:${family.id}`)?.reaction === reaction.value"
          :disabled="disabled"
          @click="emit('answer', [say(family.id, 'yes', { reaction: reaction.value })])"
        >
          {{ reaction.word }}
        </button>
      </div>
      <p
        v-for="(change, at) in changesBecause(plan, `allergy:${family.id}`)"
        :key="at"
        class="mt-1 text-sm"
      >
        <span class="font-semibold">{{ change.what }}.</span>
      </p>
    </div>
  </section>
</template>
