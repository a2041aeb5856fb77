<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'

/** Everything of one kind counted together, which is carried in at once; and what to mind, by step. */
const props = defineProps<{ plan: FittedPlan }>()
const counts = computed(() => {
  const sums = new Map<string, number>()
  for (const { name, count, supply } of props.plan.tray)
    if (supply) sums.set(name, (sums.get(name) ?? 0) + count)
  return [...sums].sort(([a], [b]) => a.localeCompare(b))
})
const minds = computed(() => {
  const titleById = new Map(props.plan.steps.map(({ id, title }) => [id, title]))
  const titlesByLine = new Map<string, string[]>()
  for (const { line: lines, stepId } of props.plan.cautions)
    for (const line of lines.split(' · ')) {
      const titles = titlesByLine.get(line) ?? []
      titlesByLine.set(line, [...titles, titleById.get(stepId) ?? ''])
    }
  return [...titlesByLine]
})
const { said } = useMeasures()
</script>

<template>
  <div class="grid grid-cols-2 gap-8 mt-5">
    <section aria-label="Counts">
      <h2 class="text-xl mb-1">Altogether</h2>
      <p
        v-for="[name, count] in counts"
        :key="name"
        class="flex justify-between border-b border-hair py-1"
      >
        <span>
          {{ name }}
        </span>
        <span class="font-semibold">{{ count }}</span>
      </p>
    </section>
    <section v-if="minds.length > 0" aria-label="Mind">
      <h2 class="text-xl mb-1">Mind</h2>
      <p v-for="[line, titles] in minds" :key="line" class="border-b border-hair py-1.5">
        <span class="font-semibold first-letter:uppercase">
          {{ said(line) }}
        </span>
        <span class="block text-sm text-soft">{{ titles.join(', ') }}</span>
      </p>
    </section>
  </div>
</template>
