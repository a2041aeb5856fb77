<script setup lang="ts">
import { dequal } from 'dequal'
import { HOME_MOVEMENTS, marksOf } from '#core/homecare'
import { linesAt } from '~/support/home/words'
import { shortDate } from '~/support/time'

/** Home care after a visit: what is asked, the plan made from it, and what is given. */
const store = useVisitStore()
const session = useSessionStore()
const { plan, out, takeOut, putBack } = useHomePlan()
const names = ref(new Map<string, string>())
const mayWrite = computed(() => session.can('health.write'))
const marks = computed(() => (plan.value ? marksOf(plan.value) : new Map<string, string>()))
const given = computed(() => store.data?.home?.given)
const isGiven = computed(() => given.value && dequal(given.value, plan.value))
const taken = computed(() => out.value.map((id) => ({ id, name: names.value.get(id) ?? id })))
const movements = computed(() =>
  HOME_MOVEMENTS.filter(({ id }) => plan.value?.movements.includes(id)),
)
const print = () => window.print()
function leaveOut(id: string) {
  const line = plan.value?.lines.find((one) => one.id === id)
  if (line) names.value.set(id, line.name)
  takeOut(id)
}
const whyNotGive = computed(() => {
  if (!mayWrite.value) return 'Only who writes health notes gives a plan.'
  return isGiven.value ? 'It is given as it stands.' : undefined
})
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan" class="no-print flex flex-wrap items-center gap-3 mb-5">
      <button
        type="button"
        class="rung rung-strong"
        v-off="whyNotGive"
        @click="store.giveHome(plan)"
      >
        {{ given ? 'Give it anew' : 'Give this plan' }}
      </button>
      <p v-if="isGiven" role="status" class="text-calm flex-1 max-sm:basis-full max-sm:order-last">
        ✓ Given. At the next visit they are asked how it went.
      </p>
      <a v-if="given" class="rung" :href="`/api/visits/${data.visit.id}/leaflet`" target="_blank"
        >Leaflet (PDF)</a
      >
      <button type="button" class="rung" @click="print">Print this page</button>
      <NuxtLink class="rung" :to="`/visits/${data.visit.id}/close`">Back to Close</NuxtLink>
    </div>
    <div
      v-if="plan"
      class="grid max-xl:grid-cols-[minmax(0,1fr)] xl:grid-cols-[15.5rem_minmax(0,1fr)_19rem] gap-8"
    >
      <div class="no-print">
        <h2 class="display text-2xl border-b border-line pb-1 mb-3">At home now</h2>
        <HomeTold :disabled="!mayWrite" />
      </div>
      <div class="min-w-0 flex flex-col gap-5">
        <div class="grid md:grid-cols-2 gap-7">
          <HomeLines
            title="Morning"
            :lines="linesAt(plan, 'morning')"
            :marks="marks"
            :on="plan.on"
            :disabled="!mayWrite"
            @out="leaveOut"
          />
          <HomeLines
            title="Evening"
            :lines="linesAt(plan, 'evening')"
            :marks="marks"
            :on="plan.on"
            :disabled="!mayWrite"
            @out="leaveOut"
          />
        </div>
        <section v-if="movements.length > 0" aria-label="To practise">
          <h2 class="display text-2xl border-b border-line pb-1 mb-2">To practise</h2>
          <ul class="flex flex-wrap gap-6">
            <li v-for="one in movements" :key="one.id" class="flex items-center gap-3 max-w-xs">
              <HomeStroke :movement="one.movement" />
              <p
                ><span class="font-semibold">{{ one.name }}</span
                ><br /><span class="text-sm">{{ one.how }}</span></p
              >
            </li>
          </ul>
        </section>
        <HomeLeft :left="plan.left" :out="taken" @back="putBack" />
      </div>
      <div class="flex flex-col gap-5">
        <HomeWeeks :plan="plan" :marks="marks" />
        <HomePauses :plan="plan" />
        <section v-if="plan.before.length > 0" aria-label="Before the next visit">
          <h2 class="display text-2xl border-b border-line pb-1">
            Before {{ shortDate(plan.next!.on) }}
          </h2>
          <ul>
            <li
              v-for="note in plan.before"
              :key="note.words"
              class="flex gap-3 py-1 border-b border-hair"
            >
              <span class="w-28 shrink-0 text-soft whitespace-nowrap">{{
                shortDate(note.from!)
              }}</span>
              <span>{{ note.words }}</span>
            </li>
          </ul>
        </section>
      </div>
    </div>
  </VisitFrame>
</template>
