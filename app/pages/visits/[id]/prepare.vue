<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { clockTime } from '~/support/time'

const store = useVisitStore()
const plan = computed(() => store.data?.plan?.plan)
const groups = computed(() => plan.value?.steps.map((step) => ({ step, items: plan.value!.tray.filter((item) => item.stepId === step.id) })).filter((group) => group.items.length > 0) ?? [])
const ticked = computed(() => new Set(store.data?.ticks ?? []))
const left = computed(() => plan.value?.tray.filter((item) => !ticked.value.has(item.id)).length ?? 0)
const startMs = computed(() => Date.parse(store.data?.visit.startsAt ?? ''))
const mixes = computed(() => plan.value?.segments.filter((segment) => segment.kind === 'prepare').map((segment) => ({ id: segment.id, atMs: startMs.value + segment.startS * 1000, title: plan.value!.steps.find((step) => step.id === segment.stepId)?.title })) ?? [])
/** One line per caution, with the steps it is about. */
const minds = computed(() => {
  const steps = new Map<string, string[]>()
  for (const caution of plan.value?.cautions ?? []) for (const line of caution.line.split(' · ')) steps.set(line, [...(steps.get(line) ?? []), plan.value!.steps.find((step) => step.id === caution.stepId)?.title ?? ''])
  return [...steps]
})
const linen = computed(() => {
  const counts = new Map<string, number>()
  for (const item of plan.value?.tray ?? []) if (/towel|compress|sponges|gauze|mitts/.test(item.name)) counts.set(item.name, (counts.get(item.name) ?? 0) + item.count)
  return [...counts]
})
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan" class="grid grid-cols-[minmax(0,1fr)_22rem] gap-10">
      <div>
        <div class="flex items-baseline gap-4 border-b border-line pb-2"><h2 class="text-xl flex-1">The tray, in order of use</h2><p class="text-soft" aria-live="polite">{{ left === 0 ? 'Everything is out' : `${left} to lay out` }}</p></div>
        <div class="columns-2 gap-8 pt-2">
          <section v-for="group in groups" :key="group.step.id" class="break-inside-avoid pb-2" :aria-label="group.step.title">
            <h3 class="text-sm text-soft pt-2">{{ group.step.title }}<span v-if="group.items[0]?.perhaps" class="text-now font-semibold"> · perhaps, {{ plan.open.find((gate) => gate.stepIds.includes(group.step.id))?.words }}</span></h3>
            <button v-for="item in group.items" :key="item.id" type="button" role="checkbox" :aria-checked="ticked.has(item.id)" :disabled="store.locked" class="w-full min-h-[44px] flex items-center gap-3 text-left border-b border-hair py-1" @click="store.tick(item.id, !ticked.has(item.id))">
              <span class="w-6 h-6 shrink-0 border border-line grid place-items-center" :class="ticked.has(item.id) && 'bg-ink text-ground'"><Check v-if="ticked.has(item.id)" :size="17" /></span>
              <span :class="ticked.has(item.id) && 'text-soft'">{{ item.count > 1 ? `${item.count} ` : '' }}{{ item.name }}<span v-if="item.note" class="block text-sm text-soft">{{ item.note }}</span></span>
            </button>
          </section>
        </div>
      </div>
      <aside class="border-l border-line pl-7 flex flex-col gap-6 sticky top-4 self-start">
        <section aria-label="Mix at"><h2 class="text-xl mb-1">Mix at</h2><p v-for="mix in mixes" :key="mix.id" class="flex gap-3 border-b border-hair py-2"><span class="font-semibold">{{ clockTime(mix.atMs, data.visit.timeZone) }}</span>{{ mix.title }}</p><p v-if="mixes.length === 0" class="text-soft">Nothing is mixed today.</p></section>
        <section aria-label="Cloths"><h2 class="text-xl mb-1">Cloths</h2><p v-for="[name, count] in linen" :key="name" class="flex justify-between border-b border-hair py-1.5"><span>{{ name }}</span><span class="font-semibold">{{ count }}</span></p></section>
        <section v-if="minds.length > 0" aria-label="Mind"><h2 class="text-xl mb-1">Mind</h2><p v-for="[line, steps] in minds" :key="line" class="border-b border-hair py-1.5"><span class="font-semibold first-letter:uppercase">{{ line }}</span><span class="block text-sm text-soft">{{ steps.join(', ') }}</span></p></section>
        <NuxtLink class="rung rung-strong !min-h-[64px] text-lg" :to="`/visits/${data.visit.id}/perform`">{{ left === 0 ? 'Perform' : `Perform, ${left} still to lay out` }}</NuxtLink>
      </aside>
    </div>
    <p v-else class="text-lg text-soft pt-6">The tray follows from the fitted ladder. <NuxtLink class="text-link" :to="`/visits/${data.visit.id}/fit`">Fit it first</NuxtLink>.</p>
  </VisitFrame>
</template>
