<script setup lang="ts">
import { answerInWords, leavingInWords } from '#core/climb'
import { LEVER_WORDS } from '#core/protocol'
import { call } from '~/support/api'
import type { ClientRecord } from '~/support/clients'
import { clockTime, shortDate } from '~/support/time'

/** Every visit, the newest first: what was done, how high, and what the skin answered. */
const props = defineProps<{ record: ClientRecord }>()
const session = useSessionStore()
const Link = resolveComponent('NuxtLink')
const older = ref<ClientRecord['visits']>([])
const hasMore = ref(props.record.hasMoreVisits)
const visits = computed(() => [...props.record.visits, ...older.value])
const now = Date.now()
type Visit = ClientRecord['visits'][number]
const isAhead = (visit: Visit) => new Date(visit.startsAt).getTime() > now
const pageOf = ({ id, stage }: Visit) => `/visits/${id}/${stage === 'closed' ? 'close' : 'consult'}`
const leversInWords = ({ levers }: Visit) =>
  (levers ?? []).map(({ lever, rung }) => `${LEVER_WORDS[lever]} ${rung}`).join(' · ')
async function more() {
  const before = String(visits.value.at(-1)!.startsAt)
  const params = { id: props.record.id }
  const page = await call('/api/clients/:id/visits', { params, query: { before } })
  older.value = [...older.value, ...page.visits]
  hasMore.value = page.hasMore
}
</script>

<template>
  <section aria-label="Visits">
    <h2 class="text-2xl mb-2">Visits</h2>
    <p v-if="visits.length === 0" class="text-soft">No visit yet.</p>
    <ol class="border-l border-line ml-2">
      <li v-for="visit in visits" :key="visit.id" class="relative pl-6 pb-4">
        <span
          class="absolute -left-[7px] top-2.5 w-3.5 h-2 border"
          :class="isAhead(visit) ? 'border-now bg-ground' : 'border-hands bg-hands'"
          aria-hidden="true"
        />
        <component
          :is="session.can('health.read') ? Link : 'div'"
          :to="pageOf(visit)"
          class="grid grid-cols-[8.5rem_1fr] gap-3 hover:bg-sunk"
        >
          <span>
            <span class="font-semibold">{{ shortDate(String(visit.startsAt)) }}</span>
            <span class="block text-sm text-soft">
              {{ clockTime(visit.startsAt, record.timeZone) }} · {{ visit.practitioner }}
            </span>
          </span>
          <span>
            {{ visit.protocol }}
            <span v-if="visit.calledOff" class="text-soft">{{ visit.calledOff }}</span>
            <span v-else-if="isAhead(visit)" class="text-now font-semibold">booked</span>
            <span v-else-if="visit.stage !== 'closed'" class="text-soft">not signed</span>
            <span v-if="visit.leaving" class="block text-sm">
              On leaving: {{ leavingInWords(visit.leaving) }}
            </span>
            <span v-if="visit.answer" class="block text-sm">
              After it: {{ answerInWords(visit.answer) }}
            </span>
            <span v-if="leversInWords(visit)" class="block text-sm text-soft">
              {{ leversInWords(visit) }}
            </span>
            <span v-if="visit.note" class="block text-sm text-soft">“{{ visit.note }}”</span>
            <span v-if="visit.nextNote" class="block text-sm text-soft">
              For next time: “{{ visit.nextNote }}”
            </span>
          </span>
        </component>
      </li>
    </ol>
    <button v-if="hasMore" type="button" class="rung" @click="more">Older visits</button>
  </section>
</template>
