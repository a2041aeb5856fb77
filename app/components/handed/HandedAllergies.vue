<script setup lang="ts">
import type { Fact } from '#core/client'
import { allergensSaid } from '~/support/consult/allergens'

/** All allergens that matter for this card, to be touched; anything else in the client's own word. */
const props = defineProps<{
  facts: ReadonlyMap<string, Fact>
  families: ReadonlySet<string>
  today: string
}>()
const emit = defineEmits<{ answer: [facts: Fact[]]; next: [] }>()
const typed = ref('')
function answered(facts: Fact[]) {
  emit('answer', facts)
  typed.value = ''
}
const said = computed(() => allergensSaid(props.facts).length)
function end(answer: 'no' | 'unknown') {
  emit('answer', [{ code: 'allergy:any', answer, askedOn: props.today }])
  emit('next')
}
</script>

<template>
  <section class="flex flex-col gap-6" aria-label="Allergies">
    <h1 class="text-5xl leading-tight max-w-[24ch]">Are you allergic to any of these?</h1>
    <div class="flex flex-wrap gap-2 [&_.pick]:!min-h-[60px] [&_.pick]:!text-xl [&_.pick]:!px-4">
      <AllergenChips
        :facts="facts"
        :typed="typed"
        :families="families"
        :today="today"
        :disabled="false"
        @answer="answered"
      >
        <input
          v-model="typed"
          class="field w-72 !min-h-[60px] text-xl"
          type="search"
          aria-label="Another allergy"
          placeholder="something else: yarrow …"
        />
      </AllergenChips>
    </div>
    <div class="flex flex-wrap gap-3">
      <button
        type="button"
        class="rung rung-strong !min-h-[88px] text-2xl min-w-[18rem]"
        @click="end('no')"
      >
        {{ said > 0 ? 'Nothing else' : 'None that I know of' }}
      </button>
      <button
        type="button"
        class="rung !min-h-[88px] text-2xl min-w-[18rem]"
        @click="end('unknown')"
      >
        I do not know
      </button>
    </div>
  </section>
</template>
