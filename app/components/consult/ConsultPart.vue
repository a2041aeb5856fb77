<script setup lang="ts">
import type { Fact, Known } from '#core/client'
import type { Needed } from '#core/adapt'
import type { AskedGroup } from '~/support/consult/consult'

/** The part of the consultation that is open. */
defineProps<{
  part: string
  groups: readonly AskedGroup[]
  needed: Needed
  facts: ReadonlyMap<string, Fact>
  known: readonly Known[]
  wanted: readonly { id: string; title: string; ruleId: string }[]
  isMinor: boolean
}>()
const store = useVisitStore()
const session = useSessionStore()
const data = computed(() => store.data!)
const client = computed(() => data.value.input.client)
const asked = computed(() => ({
  plan: store.preview,
  today: data.value.input.date,
  disabled: store.locked,
}))
</script>

<template>
  <AskedGroups
    v-if="part === 'groups'"
    :groups="groups"
    :needed="needed"
    :facts="facts"
    :told="client.facts"
    :known="known"
    v-bind="asked"
    :last-visit="data.lastVisit"
    @answer="store.answer"
    @check-in="store.checkIn"
  />
  <AllergyPicker
    v-else-if="part === 'allergies'"
    :facts="facts"
    :products="data.input.shelf.products"
    v-bind="asked"
    @answer="store.answer($event)"
  />
  <GoalRank
    v-else-if="part === 'goals'"
    :concerns="client.concerns"
    :details="client.goalDetails ?? {}"
    :disabled="store.locked"
    @rank="store.rank"
  />
  <HomeTold v-else-if="part === 'home'" class="max-w-xl" :disabled="store.locked" />
  <ClearanceList
    v-else-if="part === 'clearances'"
    :given="client.clearances"
    :wanted="wanted"
    :today="asked.today"
    :disabled="store.locked"
    @clear="store.clear"
  />
  <PatchTests
    v-else-if="part === 'tests'"
    :tests="data.patchTests"
    :products="data.input.shelf.products"
    :today="asked.today"
    :disabled="store.locked"
    @place="store.placeTest"
    @read="(id, result) => store.readTest(id, result, asked.today)"
  />
  <ConsentPart
    v-else-if="part === 'consent'"
    :texts="data.texts"
    :consents="data.consents"
    :client="data.visit.client"
    :minor="isMinor"
    :disabled="store.locked"
    :owner="session.can('rules.write')"
    @published="store.load(data.visit.id)"
    @sign="store.signConsent"
    @withdraw="store.withdrawConsent"
  />
  <IntakeFile v-else :visit-id="data.visit.id" :disabled="store.locked" @take="store.takeIntake" />
</template>
