<script setup lang="ts">
import { contradictions, KNOWN, needsGuardian, type Known } from '#core/client'
import { CLEARANCE_RULES } from '#core/safety'
import { call } from '~/support/api'
import { clearancesWanted } from '~/support/consult/consult'
import { consultParts } from '~/support/consult/parts'

const store = useVisitStore()
const input = computed(() => store.data!.input)
const { needed, facts, groups } = useAskedGroups()
const known = ref<readonly Known[]>(KNOWN)
onMounted(async () => {
  // Without a connection the list that ships with the application is searched.
  known.value = await call('/api/known').catch(() => KNOWN)
})
const isMinor = computed(() =>
  needsGuardian(input.value.client, input.value.date, input.value.settings?.majority),
)
const wanted = computed(() => clearancesWanted(store.preview, input.value, CLEARANCE_RULES))
const parts = computed(() =>
  consultParts(store.data!, groups.value, {
    isMinor: isMinor.value,
    wanted: wanted.value.length,
  }),
)
const atOdds = computed(() => contradictions(input.value.client.facts, known.value))
const guard = useGuardStore()
const session = useSessionStore()
const mayHand = computed(() => !store.locked && session.can('health.write'))
/** Questions and consent, in the client's own hands. */
async function handOver() {
  const { id } = store.data!.visit
  store.trouble = await guard.hand(id)
  if (!store.trouble) await navigateTo(`/visits/${id}/hand`)
}
const part = ref('groups')
watch(
  () => store.data?.visit.id,
  () => {
    part.value = 'groups'
  },
  { immediate: true },
)
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_19.5rem] gap-6 flex-1"
    >
      <div class="min-w-0">
        <FromLastTime />
        <ConsultParts v-model="part" :parts="parts" />
        <p v-if="data.input.client.notes?.length" class="mb-3 text-soft">{{
          data.input.client.notes.join(' · ')
        }}</p>
        <p
          v-for="line in atOdds"
          :key="line"
          role="alert"
          class="mb-3 px-4 py-3 bg-mind-ground border-l-4 border-mind"
        >
          {{ line }}
        </p>
        <ConsultPart
          :part="part"
          :groups="groups"
          :needed="needed"
          :facts="facts"
          :known="known"
          :wanted="wanted"
          :is-minor="isMinor"
        />
      </div>
      <div class="sticky top-4 self-start flex flex-col gap-4">
        <ConsequencePanel :plan="store.preview" :slot-name="data.visit.protocol" narrow />
        <WhyNot :input="input" />
        <button v-if="mayHand" type="button" class="rung w-full" @click="handOver">
          Hand to the client
        </button>
        <NuxtLink class="rung rung-strong w-full" :to="`/visits/${data.visit.id}/skin`">
          Read the skin
        </NuxtLink>
      </div>
    </div>
  </VisitFrame>
</template>
