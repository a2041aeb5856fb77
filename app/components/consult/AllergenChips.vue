<script setup lang="ts">
import { FAMILIES, freeWordCode, freeWordOf } from '#core/catalog'
import type { Fact } from '#core/client'
import { allergyAnswer, flippedAllergen } from '~/support/consult/allergens'

/** Allergens to be touched: families, all or a few of them as long as nothing is typed, and the client's own word. */
const props = defineProps<{
  facts: ReadonlyMap<string, Fact>
  typed: string
  /** Shown while nothing is typed; left out: every family. */ families?: ReadonlySet<string>
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const isSaid = (id: string) => allergyAnswer(props.facts, id) === 'yes'
const wanted = computed(() => props.typed.trim().toLowerCase())
const isWanted = ({ id, name, saidAs }: (typeof FAMILIES)[number]) =>
  wanted.value === ''
    ? (props.families?.has(id) ?? true)
    : [name, ...saidAs].some((word) => word.toLowerCase().includes(wanted.value))
const shown = computed(() => FAMILIES.filter((family) => isSaid(family.id) || isWanted(family)))
const own = computed(() => freeWordCode(props.typed))
const flip = (code: string) => emit('answer', flippedAllergen(props.facts, code, props.today))
</script>

<template>
  <button
    v-for="family in shown"
    :key="family.id"
    type="button"
    class="pick pick-mind !px-2.5"
    :aria-pressed="isSaid(family.id)"
    :disabled="disabled"
    @click="flip(`allergy:${family.id}`)"
  >
    {{ family.name }}
  </button>
  <slot />
  <button
    v-if="own"
    type="button"
    class="pick pick-mind"
    :aria-pressed="facts.get(own)?.answer === 'yes'"
    :disabled="disabled"
    @click="flip(own)"
  >
    “{{ freeWordOf(own) }}”, in every list
  </button>
</template>
