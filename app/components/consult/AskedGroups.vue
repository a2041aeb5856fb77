<script setup lang="ts">
import type { FittedPlan, Needed } from '#core/adapt'
import { nothingNew, type Fact, type Known } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import type { VisitData } from '~/stores/visit-data'
import type { AskedGroup } from '~/support/consult/consult'
import { shortDate } from '~/support/time'

/** All questions in their groups: those this card needs first, the rest folded. */
const props = defineProps<{
  groups: readonly AskedGroup[]
  needed: Needed
  facts: ReadonlyMap<string, Fact>
  /** Everything ever answered, for the medicines. */ told: readonly Fact[]
  known: readonly Known[]
  plan: FittedPlan | undefined
  today: string
  disabled: boolean
  lastVisit: VisitData['lastVisit']
}>()
const emit = defineEmits<{
  answer: [facts: Fact[]]
  checkIn: [visitId: string, answer: SkinAnswer]
}>()
const first = computed(() => props.groups.filter(({ isNeeded }) => isNeeded))
const rest = computed(() => props.groups.filter(({ isNeeded }) => !isNeeded))
const restNames = computed(() => rest.value.map(({ name }) => name).join(', '))
const again = computed(() => nothingNew(props.facts, props.today, props.known))
const waiting = computed(() => first.value.filter(({ isDone }) => !isDone).length)
const asked = computed(() => ({
  facts: props.facts,
  known: props.known,
  plan: props.plan,
  today: props.today,
  disabled: props.disabled,
}))
const title = computed(() =>
  props.lastVisit ? `Since ${shortDate(props.lastVisit.on)}` : 'Before anything is done',
)
const state = computed(() => {
  if (waiting.value === 0) return 'all that this card needs is asked'
  return `${waiting.value} of ${first.value.length} groups to ask`
})
</script>

<template>
  <section aria-label="Questions">
    <div class="flex items-center gap-4 border-b border-line pb-2">
      <h2 class="text-xl flex-1">
        {{ title }} <span class="text-base text-soft">· {{ state }}</span>
      </h2>
      <button
        v-if="again.length > 0"
        type="button"
        class="rung"
        :disabled="disabled"
        @click="emit('answer', again)"
      >
        Nothing new since then
      </button>
    </div>
    <LastReaction
      v-if="lastVisit"
      :visit="lastVisit"
      :disabled="disabled"
      @check-in="(id, answer) => emit('checkIn', id, answer)"
    />
    <template v-for="group in first" :key="group.id">
      <AllergyGroup
        v-if="group.id === 'allergies'"
        :group="group"
        :families="needed.families"
        v-bind="asked"
        @answer="emit('answer', $event)"
      />
      <AskedGroup v-else :group="group" v-bind="asked" @answer="emit('answer', $event)">
        <template v-if="group.id === 'medicines'" #more>
          <MedicineSearch
            :facts="told"
            :known="known"
            :plan="plan"
            :today="today"
            :disabled="disabled"
            @answer="emit('answer', $event)"
          />
        </template>
      </AskedGroup>
    </template>
    <FoldAway v-if="rest.length > 0" class="mt-3">
      <template #summary>
        <FoldTitle name="Not needed for this card" :holds="restNames" />
      </template>
      <AskedGroup
        v-for="group in rest"
        :key="group.id"
        :group="group"
        v-bind="asked"
        @answer="emit('answer', $event)"
      />
    </FoldAway>
  </section>
</template>
