<script setup lang="ts">
import type { HomePlan } from '#core/homecare'

/** What stays out, and why: what rules stop, and what somebody took out, which one touch puts back. */
const props = defineProps<{
  left: HomePlan['left']
  out: readonly { id: string; name: string }[]
}>()
const emit = defineEmits<{ back: [id: string] }>()
const saidOf = ({ isTheirs, prescribed }: HomePlan['left'][number]) => {
  if (prescribed) return 'Ask whoever prescribed it'
  return isTheirs ? 'Stop for now' : 'Not now'
}
const sorted = computed(() =>
  [...props.left].sort((a, b) => Number(b.isTheirs) - Number(a.isTheirs)),
)
</script>

<template>
  <section v-if="left.length + out.length > 0" aria-label="Left out">
    <h2 class="display text-2xl border-b border-line pb-1">Left out</h2>
    <ul>
      <li v-for="one in sorted" :key="one.name" class="py-1.5 border-b border-hair">
        <p>
          <span :class="one.isTheirs ? 'text-mind font-semibold' : 'text-soft'"
            >{{ saidOf(one) }}:</span
          >
          {{ ' ' }}<span class="font-semibold">{{ one.name }}</span>
        </p>
        <p class="text-sm text-soft">
          {{ one.why.words }}<template v-if="one.why.ruleId"> ({{ one.why.ruleId }})</template>
        </p>
      </li>
      <li
        v-for="one in out"
        :key="one.id"
        class="py-1.5 border-b border-hair flex items-center gap-3"
      >
        <span class="flex-1"><span class="text-soft">Taken out:</span> {{ one.name }}</span>
        <button type="button" class="pick" @click="emit('back', one.id)">Put back</button>
      </li>
    </ul>
  </section>
</template>
