<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import {
  factsInForce,
  medicineCode,
  questionByCode,
  saidOfMedicine,
  searchKnown,
  type Fact,
  type Known,
} from '#core/client'
import { changesBecause } from '~/support/fit/consequences'
import { medicinesOf } from '~/support/consult/consult'

const props = defineProps<{
  facts: readonly Fact[]
  known: readonly Known[]
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ answer: [facts: Fact[]] }>()
const typed = ref('')
const found = computed(() => searchKnown(typed.value, props.known).slice(0, 8))
const inForce = computed(() => factsInForce(props.facts))
const taken = computed(() => medicinesOf(props.facts, props.known))
/** A medicine is an answer of its own and to its question; a condition answers its question. */
function take(entry: Known) {
  emit(
    'answer',
    entry.kind === 'medicine'
      ? saidOfMedicine(
          entry,
          { code: medicineCode(entry.id), answer: 'yes', askedOn: props.today },
          inForce.value,
          props.known,
        )
      : [{ code: entry.code, answer: 'yes', askedOn: props.today, note: entry.name }],
  )
  typed.value = ''
}
const say = (entry: { known: Known; fact: Fact }, change: Partial<Fact>) => {
  const { on, ...rest } = { ...entry.fact, askedOn: props.today, ...change }
  emit(
    'answer',
    saidOfMedicine(entry.known, on ? { ...rest, on } : rest, inForce.value, props.known),
  )
}
</script>

<template>
  <div class="py-2">
    <input
      v-model="typed"
      class="field w-72"
      type="search"
      aria-label="Medicine or condition"
      placeholder="medicine or condition, by name …"
      :disabled="disabled"
    />
    <ul v-if="typed" class="mt-1" aria-label="Found">
      <li v-for="entry in found" :key="entry.id">
        <button
          type="button"
          class="w-full text-left min-h-[44px] px-2 hover:bg-sunk border-b border-hair"
          @click="take(entry)"
        >
          <span class="font-semibold">{{ entry.name }}</span>{{ ' '
          }}<span class="text-soft">{{ questionByCode.get(entry.code)?.ask }}</span>
        </button>
      </li>
      <li v-if="found.length === 0" class="py-2 text-soft">
        Nothing under that name. Ask the client for the leaflet; the owner can add it to the list.
      </li>
    </ul>
    <div v-for="use in taken" :key="use.known.id" class="mt-2 pl-3 border-l-2 border-mind">
      <div class="flex flex-wrap items-center gap-3">
        <p class="font-semibold flex-1">
          {{ use.known.name }}
        </p>
        <label class="flex items-center gap-2 text-sm text-soft">
          <span>Stopped on<span class="sr-only"> (leave empty if still taken)</span> </span>
          <input
            type="date"
            class="field"
            :max="today"
            v-shown="use.fact.on ?? ''"
            :disabled="disabled"
            @change="say(use, { on: ($event.target as HTMLInputElement).value })"
          />
        </label>
        <button
          type="button"
          class="pick text-sm"
          :disabled="disabled"
          @click="say(use, { answer: 'no' })"
        >
          Not any more
        </button>
      </div>
      <p v-for="(change, at) in changesBecause(plan, use.fact.code)" :key="at" class="text-sm mt-1">
        <span class="font-semibold">{{ change.what }}.</span> {{ change.why[0]?.reason }}
      </p>
    </div>
  </div>
</template>
