<script setup lang="ts">
import { CALM_ANSWER, type SkinAnswer } from '#core/climb'
import { shortDate } from '~/support/time'

/** How the skin answered after the last visit, asked before anything else. */
const props = defineProps<{
  visit: { id: string; on: string; answer: SkinAnswer | null }
  disabled: boolean
}>()
const emit = defineEmits<{ checkIn: [visitId: string, answer: SkinAnswer] }>()
const isOpen = ref(false)
const skin = ref<SkinAnswer>({ ...CALM_ANSWER })
watch(
  () => props.visit,
  (visit) => {
    skin.value = visit.answer ?? { ...CALM_ANSWER }
  },
  { immediate: true },
)
const told = computed(() => {
  const { answer } = props.visit
  return answer ? `redness ${answer.redness} of 4, stinging ${answer.stinging} of 10` : 'not told'
})
function keep(answer: SkinAnswer) {
  emit('checkIn', props.visit.id, answer)
  isOpen.value = false
}
</script>

<template>
  <section class="border-b border-hair py-3" aria-label="Reaction after last visit">
    <div class="flex items-center gap-2">
      <h3 class="flex-1 flex items-baseline gap-2">
        <span class="font-semibold">Skin after {{ shortDate(visit.on) }}</span>
        <span class="text-sm text-soft">{{ told }}</span>
      </h3>
      <button type="button" class="pick" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        Something …
      </button>
      <button
        type="button"
        class="pick w-36"
        :aria-pressed="visit.answer !== null"
        :disabled="disabled"
        v-off="visit.answer !== null && 'It was told already.'"
        @click="keep({ ...CALM_ANSWER })"
      >
        {{ visit.answer ? '✓ Told' : 'It was calm' }}
      </button>
    </div>
    <div v-if="isOpen" class="pb-1 pl-4 mt-2 border-l-2 border-mind max-w-xl">
      <AnswerForm v-model="skin" :disabled="disabled" />
      <button type="button" class="rung rung-strong mt-3" :disabled="disabled" @click="keep(skin)">
        Keep as a check-in
      </button>
    </div>
  </section>
</template>
