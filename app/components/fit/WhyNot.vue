<script setup lang="ts">
import type { CompileInput } from '#core/adapt'
import { EFFECT_GLYPHS, EFFECT_WORDS, isForbidding } from '#core/safety'
import { zonesInWords } from '#core/skin'
import { askable, rulesAbout } from '~/support/fit/why-not'

const props = defineProps<{ input: CompileInput }>()
const open = ref(false)
const typed = ref('')
const chosen = ref('')
const all = computed(() => (open.value ? askable(props.input) : []))
const found = computed(() =>
  all.value
    .filter((choice) => choice.name.toLowerCase().includes(typed.value.trim().toLowerCase()))
    .slice(0, 8),
)
const subject = computed(() => all.value.find((choice) => choice.id === chosen.value))
const rules = computed(() => (subject.value ? rulesAbout(props.input, subject.value.step) : []))
function ask() {
  open.value = true
  typed.value = ''
  chosen.value = ''
}
const { said } = useMeasures()
</script>

<template>
  <div>
    <button type="button" class="rung w-full !min-h-[52px]" @click="ask">Why not …?</button>
    <PlainDialog :open="open" wide title="Why not …?" @close="open = false">
      <label class="flex flex-col gap-1">
        Step or product
        <input
          v-model="typed"
          class="field"
          type="search"
          placeholder="glycolic, steam, clay …"
          @input="chosen = ''"
        />
      </label>
      <div v-if="!subject" class="flex flex-wrap gap-1 mt-3">
        <button
          v-for="choice in found"
          :key="choice.id"
          type="button"
          class="pick text-sm"
          @click="chosen = choice.id"
        >
          {{ choice.name }}
        </button>
        <p v-if="found.length === 0" class="text-soft">
          Nothing on this card or shelf under that name.
        </p>
      </div>
      <div v-else class="mt-4">
        <p class="font-semibold text-lg">{{ subject.name }}</p>
        <ul class="max-h-80 overflow-y-auto mt-1" aria-label="Rules in force" tabindex="0">
          <li
            v-for="(rule, at) in rules"
            :key="at"
            class="py-2 border-b border-hair grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[9rem_1fr] gap-3"
          >
            <span :class="isForbidding(rule.effect) ? 'text-mind font-semibold' : 'text-soft'">
              {{ EFFECT_GLYPHS[rule.effect] }} {{ EFFECT_WORDS[rule.effect] }}
            </span>
            <span>
              {{ rule.because === 'always' ? '' : `${rule.because}. ` }}{{ said(rule.reason) }}
              <span class="text-soft">
                {{ said(rule.instead)
                }}{{ rule.zones ? ` Zones: ${zonesInWords(rule.zones)}.` : '' }}
                <RuleLink :id="rule.ruleId" />
              </span>
            </span>
          </li>
          <li v-if="rules.length === 0" class="py-3 text-calm">
            No rule speaks against it today.
          </li>
        </ul>
        <button type="button" class="rung mt-3" @click="chosen = ''">Ask about another</button>
      </div>
    </PlainDialog>
  </div>
</template>
