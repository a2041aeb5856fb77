<script setup lang="ts">
import { hasLadder, type FittedPlan } from '#core/adapt'
import { causeWords, glyphOf } from '~/support/fit/consequences'
import { isHeldBack, wrongWith } from '~/support/fit/held-back'
import { halfMinutes } from '~/support/time'

const props = defineProps<{
  plan: FittedPlan | undefined
  slotName: string
  /** A slim column: no indent. */ narrow?: boolean
}>()
const { facts } = useAskedGroups()
const isLaid = computed(() => props.plan !== undefined && hasLadder(props.plan))
const verdict = computed(() => (props.plan ? wrongWith(props.plan, facts.value) : []))
const isWaiting = computed(() =>
  props.plan?.changes.some((change) => isHeldBack(change, facts.value)),
)
const nothing = computed(() =>
  isWaiting.value ? 'Nothing else changes.' : 'Nothing changes: the card holds as written.',
)
const shown = computed(
  () =>
    props.plan?.changes.filter(
      (change) => change.kind !== 'hung' && !isHeldBack(change, facts.value),
    ) ?? [],
)
const { said } = useMeasures()
</script>

<template>
  <aside
    :class="narrow ? '' : 'border-l border-line pl-7'"
    aria-label="What today’s ladder becomes"
    aria-live="polite"
  >
    <template v-if="plan">
      <p class="text-soft">{{ slotName }}</p>
      <p
        v-for="line in verdict"
        :key="line"
        role="alert"
        class="mt-2 border-l-4 border-mind bg-mind-ground px-4 py-2 font-semibold text-mind"
      >
        {{ line }}
      </p>
      <p v-if="isLaid" class="flex flex-wrap items-baseline gap-x-2 mt-1">
        <span class="display text-5xl whitespace-nowrap">
          {{ plan.leastTotalS < plan.totalS ? `${halfMinutes(plan.leastTotalS)}–` : ''
          }}{{ halfMinutes(plan.totalS) }}
        </span>
        <span class="text-lg">min</span>
        <span class="text-soft whitespace-nowrap"
          >of {{ halfMinutes(plan.slotS) }}; written {{ halfMinutes(plan.writtenTotalS) }}
        </span>
      </p>
      <div v-else role="alert" class="mt-2 border-l-4 border-mind bg-mind-ground px-4 py-3">
        <p class="font-semibold text-mind">
          {{ plan.status === 'postponed' ? 'Not today' : 'No plan yet' }}
        </p>
        <p v-for="line in plan.problems" :key="line">{{ line }}</p>
      </div>
      <OpenQuestions class="mt-4" :plan="plan" />
      <ReferLines :refer="plan.refer" class="mt-4" />
      <ul class="mt-4 divide-y divide-hair border-y border-hair">
        <li v-for="(change, at) in shown" :key="at" class="py-2 grid grid-cols-[1.6rem_1fr] gap-1">
          <span class="text-mind font-bold" :title="glyphOf(change.kind).word">
            {{ glyphOf(change.kind).glyph }}
          </span>
          <span>
            {{ change.what }}
            <span v-if="change.why[0]" class="block text-sm text-soft">{{
              causeWords(change.why[0])
            }}</span>
          </span>
        </li>
        <li v-if="isLaid && shown.length === 0" class="py-2 text-soft">
          {{ nothing }}
        </li>
      </ul>
      <p v-for="gate in plan.open" :key="gate.gateId" class="mt-3 text-sm text-soft">
        Perhaps {{ gate.words }}:
        {{ gate.stepIds.map((id) => plan?.steps.find((step) => step.id === id)?.title).join(', ') }}
      </p>
      <details v-if="plan.advice.length > 0" class="mt-3 text-sm">
        <summary class="py-2">Advice {{ plan.advice.length }}</summary>
        <p v-for="why in plan.advice" :key="why.ruleId" class="py-1">
          {{ why.because }}. {{ said(why.instead) }}
          <span class="text-soft">({{ why.ruleId }})</span>
        </p>
      </details>
      <details class="mt-3 text-sm text-soft">
        <summary class="py-2">
          Checked {{ plan.checked.length }}; not checked {{ plan.notChecked.length }}
        </summary>
        <p v-for="line in plan.notChecked" :key="line" class="text-mind">
          Not checked: {{ line }}
        </p>
        <p v-for="line in plan.checked" :key="line">Checked: {{ line }}</p>
      </details>
    </template>
    <p v-else class="text-soft">Fitting …</p>
  </aside>
</template>
