<script setup lang="ts">
import { LESION_WORDS, OUTCOME_WORDS, OUTCOMES, zoneName, type LesionOutcome } from '#core/skin'

/** What came of what was to be emptied, once the gloves are changed: all of it in one touch, then the exceptions. */
const { asked, came, say } = useExtraction()
const isOpen = ref(false)
const outcomes = ref<Record<string, LesionOutcome>>({})
const all = () =>
  Object.fromEntries(asked.value!.lesions.map(({ id }) => [id, 'emptied' as LesionOutcome]))
function except() {
  outcomes.value = all()
  isOpen.value = true
}
function keep() {
  isOpen.value = false
  return say(came(outcomes.value))
}
const countWords = computed(() => {
  const count = asked.value?.lesions.length ?? 0
  return count === 1 ? 'Emptied' : `All ${count} emptied`
})
</script>

<template>
  <section
    v-if="asked"
    class="mt-2 border-l-4 border-now bg-now-ground px-3 py-2 shrink-0"
    aria-label="What came of it"
  >
    <p class="font-semibold">{{ asked.step.title }}, gloves changed: what came of it?</p>
    <div class="flex flex-wrap gap-3 mt-2">
      <button type="button" class="rung !min-h-[64px] text-lg" @click="say(came(all()))">
        {{ countWords }}
      </button>
      <button type="button" class="rung !min-h-[64px] text-lg" @click="except">
        All but some …
      </button>
    </div>
    <PlainDialog :open="isOpen" wide title="What came of it" @close="isOpen = false">
      <ul class="grid gap-3 max-h-[60vh] overflow-y-auto">
        <li v-for="lesion in asked.lesions" :key="lesion.id">
          <p class="text-lg">
            <span class="font-semibold">{{ LESION_WORDS[lesion.type] }}</span>,
            {{ zoneName(lesion.zone) }}
          </p>
          <div
            class="flex flex-wrap gap-2 mt-1"
            role="radiogroup"
            :aria-label="`${LESION_WORDS[lesion.type]}, ${zoneName(lesion.zone)}`"
          >
            <button
              v-for="outcome in OUTCOMES"
              :key="outcome"
              type="button"
              role="radio"
              class="pick !min-h-[64px] text-lg"
              :aria-checked="outcomes[lesion.id] === outcome"
              @click="outcomes[lesion.id] = outcome"
            >
              {{ OUTCOME_WORDS[outcome] }}
            </button>
          </div>
        </li>
      </ul>
      <button
        type="button"
        class="rung rung-strong mt-5 !min-h-[72px] w-full text-xl"
        @click="keep"
      >
        Keep it
      </button>
    </PlainDialog>
  </section>
</template>
