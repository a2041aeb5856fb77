<script setup lang="ts">
/** A new password with its strength as rungs climbed. The word lists come when somebody begins to type. */
const props = defineProps<{ label: string; value: string; about: readonly string[] }>()
const emit = defineEmits<{ change: [value: string]; weak: [why: string | undefined] }>()
const SCORE_WORDS = ['No hold', 'Weak', 'Holds', 'Good', 'Strong']
const MOST_SCORE = 4
const score = ref(0)
const why = ref<string>()

async function judge() {
  const { judgePassword } = await import('#core/passwords')
  const verdict = judgePassword(props.value, props.about)
  score.value = verdict.score
  why.value = verdict.refusal
  emit('weak', verdict.refusal)
}
watch(
  () => [props.value, ...props.about],
  () => props.value && void judge(),
)
const typed = (event: Event) => emit('change', (event.target as HTMLInputElement).value)
</script>

<template>
  <label class="flex flex-col gap-1">
    {{ label }}
    <input
      class="field"
      type="password"
      autocomplete="new-password"
      maxlength="200"
      required
      :value="value"
      @input="typed"
    />
    <span
      class="flex items-center gap-3 h-6 text-sm text-soft whitespace-nowrap"
      aria-live="polite"
    >
      <span class="flex gap-1" aria-hidden="true">
        <span
          v-for="rung in MOST_SCORE"
          :key="rung"
          class="w-7 h-1.5 border border-line"
          :class="value && score >= rung && (why ? 'bg-mind' : 'bg-hands')"
        />
      </span>
      {{ value ? SCORE_WORDS[score] : 'Twelve characters or more' }}
    </span>
    <span v-if="value && why" class="text-sm text-mind">{{ why }}</span>
  </label>
</template>
