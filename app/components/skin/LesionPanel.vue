<script setup lang="ts">
import {
  DECISION_WORDS,
  DECISIONS,
  hasHead,
  LESION_TYPES,
  LESION_WORDS,
  OUTCOME_WORDS,
  OUTCOMES,
  suggestDecision,
  zoneName,
  type Lesion,
  type Reading,
} from '#core/skin'

const props = defineProps<{
  reading: Reading
  last: Reading | null
  selected: string | undefined
  disabled: boolean
}>()
const emit = defineEmits<{ select: [id: string | undefined]; change: [reading: Reading] }>()
const lesion = computed(() => props.reading.lesions.find((one) => one.id === props.selected))
const suggestion = computed(() => lesion.value && suggestDecision(lesion.value))
const FLAGS = [
  { key: 'head', word: 'Head or opening' },
  { key: 'painful', word: 'Painful' },
  { key: 'deep', word: 'Deep' },
] as const
const carried = computed(
  () =>
    props.last?.lesions.filter(
      (one) => one.decision !== 'ready' || one.outcome === 'partly' || one.outcome === 'left',
    ) ?? [],
)

function put(change: Partial<Lesion>) {
  const next = { ...lesion.value!, ...change }
  // The suggestion follows what is seen until the practitioner decides otherwise.
  const follows =
    change.decision === undefined &&
    change.outcome === undefined &&
    lesion.value!.decision === suggestion.value!.decision
  emit('change', {
    ...props.reading,
    lesions: props.reading.lesions.map((one) =>
      one.id === next.id
        ? { ...next, decision: follows ? suggestDecision(next).decision : next.decision }
        : one,
    ),
  })
}
function remove() {
  emit('change', {
    ...props.reading,
    lesions: props.reading.lesions.filter((one) => one.id !== props.selected),
  })
  emit('select', undefined)
}
const carry = () =>
  emit('change', {
    ...props.reading,
    done: true,
    lesions: [
      ...props.reading.lesions,
      ...carried.value.map(({ outcome: _outcome, ...one }) => ({
        ...one,
        id: crypto.randomUUID(),
      })),
    ],
  })
</script>

<template>
  <div role="tabpanel">
    <p class="text-soft">Touch the map to pin a lesion. ○ ready · ✕ leave alone · ▲ refer.</p>
    <button
      v-if="carried.length > 0 && reading.lesions.length === 0"
      type="button"
      class="rung mt-2"
      :disabled="disabled"
      @click="carry"
    >
      Carry over {{ carried.length }} from last visit
    </button>
    <div v-if="lesion && suggestion" class="border-y border-line py-3 mt-2">
      <p class="mb-2">
        <span class="font-semibold">{{ LESION_WORDS[lesion.type] }}</span>,
        {{ zoneName(lesion.zone) }}
      </p>
      <div class="flex flex-wrap gap-1" role="radiogroup" aria-label="Type of lesion">
        <button
          v-for="type in LESION_TYPES"
          :key="type"
          type="button"
          role="radio"
          class="pick text-sm !px-2.5"
          :aria-checked="lesion.type === type"
          :disabled="disabled"
          @click="put({ type, head: hasHead(type) })"
        >
          {{ LESION_WORDS[type] }}
        </button>
      </div>
      <div class="flex flex-wrap gap-1 mt-2" role="group" aria-label="What eye and touch say">
        <button
          v-for="flag in FLAGS"
          :key="flag.key"
          type="button"
          class="pick text-sm"
          :aria-pressed="lesion[flag.key]"
          :disabled="disabled"
          @click="put({ [flag.key]: !lesion[flag.key] })"
        >
          {{ flag.word }}
        </button>
      </div>
      <div class="flex flex-wrap items-center gap-1 mt-3" role="radiogroup" aria-label="Decision">
        <button
          v-for="one in DECISIONS"
          :key="one"
          type="button"
          role="radio"
          class="pick"
          :aria-checked="lesion.decision === one"
          :disabled="disabled"
          @click="put({ decision: one })"
        >
          {{ DECISION_WORDS[one] }}
        </button>
      </div>
      <p class="text-sm text-soft mt-1">
        Suggested: {{ DECISION_WORDS[suggestion.decision].toLowerCase() }}. {{ suggestion.why }}
      </p>
      <div class="flex flex-wrap gap-1 mt-3" role="radiogroup" aria-label="Outcome">
        <button
          v-for="one in OUTCOMES"
          :key="one"
          type="button"
          role="radio"
          class="pick text-sm"
          :aria-checked="lesion.outcome === one"
          :disabled="disabled || lesion.decision === 'refer'"
          @click="put({ outcome: one })"
        >
          {{ OUTCOME_WORDS[one] }}
        </button>
      </div>
      <button type="button" class="rung text-sm mt-3" :disabled="disabled" @click="remove">
        Take the pin off
      </button>
    </div>
    <ul class="mt-2" aria-label="Lesions on the map">
      <li v-for="one in reading.lesions" :key="one.id" class="border-b border-hair">
        <button
          type="button"
          class="w-full text-left min-h-[44px] flex gap-3 items-center"
          :aria-current="one.id === selected"
          @click="emit('select', one.id)"
        >
          <span class="flex-1">
            <span class="font-semibold">{{ LESION_WORDS[one.type] }}</span>,
            {{ zoneName(one.zone) }}
          </span>
          <span :class="one.decision === 'refer' ? 'text-mind font-semibold' : 'text-soft'">
            {{ DECISION_WORDS[one.decision]
            }}{{ one.outcome ? ` · ${OUTCOME_WORDS[one.outcome]}` : '' }}
          </span>
        </button>
      </li>
    </ul>
  </div>
</template>
