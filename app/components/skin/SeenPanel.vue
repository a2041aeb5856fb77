<script setup lang="ts">
import {
  FINDING_PARTS,
  FINDINGS,
  summarise,
  type FindingKind,
  type FindingWords,
  type Reading,
} from '#core/skin'
import { findingsInWords } from '~/skin-map/reading'

/** Everything that can be seen and felt, what was seen today, and what that makes of the skin in words. */
const props = defineProps<{ reading: Reading; kind: FindingKind; disabled: boolean }>()
const emit = defineEmits<{ choose: [kind: FindingKind]; remove: [kind: FindingKind] }>()
const parts = FINDING_PARTS.map((part) => ({
  part,
  findings: FINDINGS.filter((finding) => finding.part === part),
}))
const listed = computed(() => findingsInWords(props.reading))
const summary = computed(() => summarise(props.reading))
const evidence = computed(() => [summary.value.type, ...summary.value.conditions])
const isSeen = (kind: FindingKind) =>
  props.reading.findings.some((finding) => finding.kind === kind)
const shown = ({ kind, name }: FindingWords) => (isSeen(kind) ? `● ${name}` : name)
const called = ({ kind, name }: FindingWords) => (isSeen(kind) ? `${name}, seen` : name)
</script>

<template>
  <div v-for="{ part, findings } in parts" :key="part" class="flex gap-3 py-1 items-baseline">
    <p class="w-24 shrink-0 text-sm text-soft first-letter:uppercase">{{ part }}</p>
    <div class="flex flex-wrap gap-1">
      <button
        v-for="finding in findings"
        :key="finding.kind"
        type="button"
        class="pick text-sm !px-2.5"
        :aria-pressed="kind === finding.kind"
        :aria-label="called(finding)"
        @click="emit('choose', finding.kind)"
      >
        {{ shown(finding) }}
      </button>
    </div>
  </div>
  <ul class="border-t border-line mt-2" aria-label="Seen today">
    <li
      v-for="finding in listed"
      :key="`${finding.kind}${finding.grade}`"
      class="flex items-center gap-3 border-b border-hair"
    >
      <button
        type="button"
        class="flex-1 text-left min-h-[44px]"
        @click="emit('choose', finding.kind)"
      >
        <span class="font-semibold">{{ finding.words }}</span>{{ ' '
        }}<span class="text-soft">{{ finding.where }}</span>
      </button>
      <button
        type="button"
        class="pick text-sm !border-transparent"
        :aria-label="`Take off: ${finding.words}`"
        :disabled="disabled"
        @click="emit('remove', finding.kind)"
      >
        ✕
      </button>
    </li>
    <li v-if="listed.length === 0" class="py-2 text-soft">{{
      reading.done ? 'Nothing to note.' : 'Nothing read yet today.'
    }}</li>
  </ul>
  <p class="mt-3">
    <span class="text-soft">In words: </span>
    <span class="font-semibold" :title="summary.type.evidence.join('; ')">
      {{ summary.type.word }}
    </span>
    <template v-for="condition in summary.conditions" :key="condition.word"
      >,
      <span class="font-semibold" :title="condition.evidence.join('; ')">{{ condition.word }}</span>
    </template>
  </p>
  <details v-if="summary.conditions.length" class="text-sm text-soft">
    <summary class="py-2">What each word rests on</summary>
    <p v-for="ground in evidence" :key="ground.word">
      <span class="font-semibold">{{ ground.word }}:</span> {{ ground.evidence.join('; ') }}
    </p>
  </details>
</template>
