<script setup lang="ts">
import { asPerformed } from '~/ladder/perform-words'

/** The ladder folded to a strip, to scale: hands above, what lies on the skin below, and now. */
const { live, plan, titleOf } = useRunning()
const { totalS, nowS, fromMs } = useLiveLadder()
const segments = computed(() => (live.value ? asPerformed(live.value, fromMs.value) : []))
const across = ({ startS, endS }: { startS: number; endS: number }) => ({
  left: `${(100 * startS) / totalS.value}%`,
  width: `${(100 * (endS - startS)) / totalS.value}%`,
})
const hands = computed(() => segments.value.filter((part) => part.hands))
const lying = computed(() => segments.value.filter((part) => part.kind === 'dwell'))
const words = computed(() => {
  const now = live.value?.hands ?? live.value?.next
  const count = plan.value?.steps.length ?? 0
  const at = plan.value?.steps.findIndex(({ id }) => id === now?.segment.stepId) ?? -1
  return at < 0 ? `${count} steps` : `Step ${at + 1} of ${count}: ${titleOf(now!.segment.stepId)}`
})
</script>

<template>
  <div role="img" :aria-label="words" class="relative h-9">
    <span
      v-for="part in hands"
      :key="part.id"
      class="absolute top-0 h-4 bg-hands border-r border-ground"
      :style="across(part)"
    />
    <span
      v-for="part in lying"
      :key="part.id"
      class="absolute top-5 h-3 border bg-[var(--skin)] border-[var(--skin-edge)]"
      :style="across(part)"
    />
    <span
      v-if="nowS !== undefined"
      class="absolute -top-1 h-11 w-1 bg-now"
      :style="{ left: `${Math.min(100, (100 * nowS) / totalS)}%` }"
    />
  </div>
</template>
