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
const lesion = computed(() => props.reading.lesions.find((lesion) => lesion.id === props.selected))
const suggestion = computed(() => lesion.value && suggestDecision(lesion.value))
const FLAGS = [
  { key: 'head', word: 'Head or opening' },
  { key: 'painful', word: 'Painful' },
  { key: 'deep', word: 'Deep' },
] as const
const carried = computed(
  () =>
    props.last?.lesions.filter(
      (lesion) =>
        lesion.decision !== 'ready' || lesion.outcome === 'partly' || lesion.outcome === 'left',
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
    lesions: props.reading.lesions.map((lesion) =>
      lesion.id === next.id
        ? { ...next, decision: follows ? suggestDecision(next).decision : next.decision }
        : lesion,
    ),
  })
}
function remove() {
  emit('change', {
    ...props.reading,
    lesions: props.reading.lesions.filter((lesion) => lesion.id !== props.selected),
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
          v-for="decision in DECISIONS"
          :key="decision"
          type="button"
          role="radio"
          class="pick"
          :aria-checked="lesion.decision === decision"
          :disabled="disabled"
          @click="put({ decision: decision })"
        >
          {{ DECISION_WORDS[decision] }}
        </button>
      </div>
      <p class="text-sm text-soft mt-1">
        Suggested: {{ DECISION_WORDS[suggestion.decision].toLowerCase() }}. {{ suggestion.why }}
      </p>
      <div class="flex flex-wrap gap-1 mt-3" role="radiogroup" aria-label="Outcome">
        <button
          v-for="outcome in OUTCOMES"
          :key="outcome"
          type="button"
          role="radio"
          class="pick text-sm"
          :aria-checked="lesion.outcome === outcome"
          :disabled="disabled"
          v-off="
            lesion.decision === 'refer' &&
            'What is referred is not worked on: nothing comes of it here.'
          "
          @click="put({ outcome: outcome })"
        >
          {{ OUTCOME_WORDS[outcome] }}
        </button>
      </div>
      <p v-if="lesion.decision === 'refer'" class="text-sm text-soft mt-1">
        What is referred is not worked on: nothing comes of it here.
      </p>
      <button type="button" class="rung text-sm mt-3" :disabled="disabled" @click="remove">
        Take the pin off
      </button>
    </div>
    <ul class="mt-2" aria-label="Lesions on the map">
      <li v-for="pinned in reading.lesions" :key="pinned.id" class="border-b border-hair">
        <button
          type="button"
          class="w-full text-left min-h-[44px] flex gap-3 items-center"
          :aria-current="pinned.id === selected"
          @click="emit('select', pinned.id)"
        >
          <span class="flex-1">
            <span class="font-semibold">{{ LESION_WORDS[pinned.type] }}</span>,
            {{ zoneName(pinned.zone) }}
          </span>
          <span :class="pinned.decision === 'refer' ? 'text-mind font-semibold' : 'text-soft'">
            {{ DECISION_WORDS[pinned.decision]
            }}{{ pinned.outcome ? ` · ${OUTCOME_WORDS[pinned.outcome]}` : '' }}
          </span>
        </button>
      </li>
    </ul>
  </div>
</template>
