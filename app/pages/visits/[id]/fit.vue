<script setup lang="ts">
import { NO_PACE, type Chances, type Pace } from '#core/risk'
import { call } from '~/support/api'
import { chanceWords, RISK_SEED } from '~/support/fit/chance'
import { clockTime, halfMinutes } from '~/support/time'
import { layoutLadder, leaveOnSteps, matchRungs } from '~/ladder/layout'

const store = useVisitStore()
const HEIGHT = 556
const ROW = 24
const WRITTEN_X = 24
const FITTED_X = 196
const WIDTH = 700
const plan = computed(() => store.preview)
const startMs = computed(() => Date.parse(store.data?.visit.startsAt ?? ''))
const products = computed(() => store.data?.input.shelf.products ?? [])
const height = computed(() => Math.max(HEIGHT, (plan.value?.steps.length ?? 0) * ROW))
const scale = computed(
  () => height.value / Math.max(1, plan.value?.totalS ?? 1, plan.value?.writtenTotalS ?? 1),
)
const fitted = computed(
  () =>
    plan.value &&
    layoutLadder(
      plan.value.steps,
      plan.value.segments,
      leaveOnSteps(plan.value.steps, products.value),
      { height: height.value, rowHeight: ROW, pixelsPerSecond: scale.value },
    ),
)
const written = computed(
  () =>
    plan.value &&
    layoutLadder(plan.value.written.steps, plan.value.written.segments, new Set(), {
      height: height.value,
      rowHeight: 1,
      pixelsPerSecond: scale.value,
    }),
)
const matches = computed(() => (plan.value ? matchRungs(plan.value, scale.value) : []))
const marks = computed(() => {
  const byStep: Record<string, string> = {}
  plan.value?.changes.forEach((change, at) => {
    byStep[change.stepId] = byStep[change.stepId]
      ? `${byStep[change.stepId]}·${at + 1}`
      : String(at + 1)
  })
  return byStep
})
const selected = ref<string>()
const keeping = ref<{ ruleId: string; stepId: string; what: string }>()
const reason = ref('')
const session = useSessionStore()
const pace = ref<Pace>(NO_PACE)
const risk = ref<Chances>()
watch(
  () => store.data?.visit.id,
  async (id) => {
    if (id && session.account?.seesHealth)
      pace.value = await call<Pace>(`/api/visits/${id}/pace`).catch(() => NO_PACE)
  },
  { immediate: true },
)
watch(
  [plan, pace],
  async ([now, seen]) => {
    if (!now || now.status !== 'ready') {
      risk.value = undefined
      return
    }
    const found = await useFitter().chances({
      plan: { steps: now.steps, segments: now.segments },
      slotS: now.slotS,
      seed: RISK_SEED,
      pace: seen,
    })
    if (plan.value === now) risk.value = found
  },
  { immediate: true },
)
const riskWords = computed(
  () =>
    risk.value &&
    chanceWords(
      risk.value,
      (id) => plan.value?.steps.find((step) => step.id === id)?.title ?? id,
      (seconds) => clockTime(startMs.value + seconds * 1000, store.data!.visit.timeZone),
    ),
)
const part = ref<'changes' | 'time'>('changes')
const forTime = computed(
  () =>
    plan.value?.changes.filter((change) => change.why.some((why) => /^T0[123]$/.test(why.ruleId)))
      .length ?? 0,
)
const stay = (stepId: string) => {
  const { fit } = store.data!.input
  return store.slot({ ...(fit ?? { grow: false }), mustStay: [...(fit?.mustStay ?? []), stepId] })
}
const spare = computed(() => (plan.value ? plan.value.slotS - plan.value.totalS : 0))

async function keep() {
  await store.keepAsWritten(keeping.value!.ruleId, keeping.value!.stepId, reason.value)
  keeping.value = undefined
  reason.value = ''
}
async function go() {
  if (await store.store()) await navigateTo(`/visits/${store.data!.visit.id}/prepare`)
}
const band = (match: {
  changed: boolean
  from: readonly [number, number]
  to: readonly [number, number] | undefined
}) => {
  const [x1, x2] = [WRITTEN_X + 44, FITTED_X - 66]
  const [a, b] = match.from
  const [c, d] = match.to ?? [(a + b) / 2, (a + b) / 2]
  if (match.to && !match.changed) return `M${x1} ${a + 0.5} H${x1 + 6} L${x2 - 6} ${c + 0.5} H${x2}`
  return match.to
    ? `M${x1} ${a + 1} L${x2} ${c + 1} V${d - 1} L${x1} ${b - 1} Z`
    : `M${x1} ${a} L${x1 + 26} ${(a + b) / 2} L${x1} ${b} Z`
}
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div v-if="plan" class="grid grid-cols-[700px_minmax(0,1fr)] gap-10 flex-1">
      <div>
        <div v-if="plan.status === 'ready' && fitted && written" class="relative">
          <div class="flex justify-between text-sm text-soft mb-1">
            <span>As written, {{ halfMinutes(plan.writtenTotalS) }} min</span>
            <span>{{ data.visit.protocol }}, fitted</span>
          </div>
          <LadderView
            :layout="fitted"
            :width="WIDTH"
            :rail-x="FITTED_X"
            :start-ms="startMs"
            :total-s="plan.totalS"
            :time-zone="data.visit.timeZone"
            :marks="marks"
            :perhaps="plan.open.flatMap((gate) => gate.stepIds)"
            v-bind="selected ? { selectedStepId: selected } : {}"
            @select="selected = $event"
          />
          <svg
            class="absolute left-0 bottom-0 pointer-events-none"
            :width="FITTED_X"
            :height="height + 26"
            :viewBox="`0 -22 ${FITTED_X} ${height + 26}`"
            aria-hidden="true"
          >
            <g v-for="match in matches" :key="match.stepId">
              <path
                :d="band(match)"
                :fill="match.changed ? 'var(--mind)' : 'none'"
                :fill-opacity="match.changed ? 0.16 : 0"
                :stroke="match.changed ? 'var(--mind)' : 'var(--line)'"
                :stroke-opacity="match.changed ? 1 : 0.75"
                stroke-width="1"
              />
              <text
                v-if="!match.to"
                :x="WRITTEN_X + 74"
                :y="(match.from[0] + match.from[1]) / 2 + 5"
                fill="var(--mind)"
                font-size="14"
                font-weight="700"
              >
                ✕
              </text>
            </g>
            <LadderRails :layout="written" :x="WRITTEN_X" :gap="28" :lane-width="12" quiet />
          </svg>
        </div>
        <div v-else role="alert" class="border-l-4 border-mind bg-mind-ground px-5 py-4">
          <p class="text-xl font-semibold text-mind">
            {{ plan.status === 'postponed' ? 'Not today' : 'These limits cannot all be kept' }}
          </p>
          <p v-for="line in plan.problems" :key="line" class="mt-1">{{ line }}</p>
        </div>
      </div>
      <div class="flex flex-col min-w-0 sticky top-4 self-start h-[calc(100vh-9.5rem)]">
        <div
          v-if="plan.status === 'ready'"
          class="flex flex-wrap items-baseline gap-x-3 border-b border-line pb-2"
        >
          <span
            class="display whitespace-nowrap"
            :class="plan.leastTotalS < plan.totalS ? 'text-4xl' : 'text-5xl'"
          >
            {{ plan.leastTotalS < plan.totalS ? `${halfMinutes(plan.leastTotalS)}–` : ''
            }}{{ halfMinutes(plan.totalS) }}
          </span>
          <span class="text-lg">min</span>
          <span
            class="whitespace-nowrap"
            :class="spare < 0 ? 'text-mind font-semibold' : 'text-soft'"
          >
            {{
              spare < 0
                ? `${halfMinutes(-spare)} min over the ${halfMinutes(plan.slotS)}-minute slot`
                : `of a ${halfMinutes(plan.slotS)}-minute slot`
            }}
          </span>
          <span class="ml-auto text-soft whitespace-nowrap"
            >done
            {{
              plan.leastTotalS < plan.totalS
                ? `${clockTime(startMs + plan.leastTotalS * 1000, data.visit.timeZone)}–`
                : ''
            }}{{ clockTime(startMs + plan.totalS * 1000, data.visit.timeZone) }}
          </span>
        </div>
        <p
          v-if="plan.status === 'ready' && riskWords"
          role="note"
          class="py-2 border-b border-hair text-sm"
          aria-label="Chance of running over"
        >
          <span :class="riskWords.high ? 'text-mind font-semibold' : 'font-semibold'">
            {{ riskWords.chance }} </span>{{ ' '
          }}<span class="text-soft">{{ riskWords.rest }}</span>
        </p>
        <div
          v-if="plan.askFirst.length > 0"
          class="mt-3 border-l-4 border-now bg-now-ground px-4 py-2"
        >
          <span class="font-semibold">Ask first: </span>{{ plan.askFirst.join(' · ') }}.
          <NuxtLink class="text-link" :to="`/visits/${data.visit.id}/consult`">Consult</NuxtLink>
        </div>
        <ReferLines :refer="plan.refer" class="mt-3" />
        <p
          v-for="gate in plan.open.filter((one) => one.stepIds.length > 0)"
          :key="gate.gateId"
          class="mt-2 text-sm text-soft"
        >
          <span class="text-now font-semibold">Perhaps</span> {{ gate.words }}:
          {{
            gate.stepIds.map((id) => plan?.steps.find((step) => step.id === id)?.title).join(', ')
          }}
        </p>
        <div v-if="plan.status === 'ready'" class="flex gap-1.5 pt-2">
          <button
            type="button"
            class="pick flex-1 !min-h-[40px]"
            :aria-pressed="part === 'changes'"
            @click="part = 'changes'"
          >
            {{ plan.changes.length === 1 ? 'One change' : `${plan.changes.length} changes` }}
          </button>
          <button
            type="button"
            class="pick flex-1 !min-h-[40px]"
            :aria-pressed="part === 'time'"
            @click="part = 'time'"
          >
            Time{{ forTime > 0 ? `, ${forTime} cut` : '' }}
          </button>
        </div>
        <SlotPanel
          v-if="part === 'time' && plan.status === 'ready'"
          :input="data.input"
          :plan="plan"
          :disabled="store.locked || data.visit.stage === 'performing'"
          @wish="store.slot"
        />
        <ul v-else class="flex-1 min-h-0 overflow-y-auto" aria-label="Changes">
          <ChangeCard
            v-for="(change, at) in plan.changes"
            :key="at"
            :change="change"
            :mark="String(at + 1)"
            :disabled="store.locked"
            :selected="selected === change.stepId"
            @select="selected = change.stepId"
            @keep="keeping = { ruleId: $event, stepId: change.stepId, what: change.what }"
            @withdraw="store.withdraw($event, change.stepId)"
            @stay="stay(change.stepId)"
          />
          <li v-if="plan.changes.length === 0" class="py-4 text-soft">
            Nothing changes: the card holds as written.
          </li>
        </ul>
        <div class="flex items-center gap-4 border-t border-line pt-4 mt-2">
          <p class="text-sm text-soft flex-1">
            {{
              plan.proof.kind === 'optimal'
                ? 'Order proven shortest'
                : `At most ${Math.round(plan.proof.gapS)} s above the shortest`
            }}
            · checked {{ plan.checked.length }},
            <span :class="plan.notChecked.length > 0 && 'text-mind'"
              >not checked {{ plan.notChecked.length }}
            </span>
            <template v-if="plan.askAgain.length > 0"
              >,
              <NuxtLink class="text-link" :to="`/visits/${data.visit.id}/consult`">
                {{ plan.askAgain.length }}
                {{ plan.askAgain.length === 1 ? 'answer' : 'answers' }} from before</NuxtLink
              >
            </template>
          </p>
          <WhyNot :input="data.input" />
          <button
            type="button"
            class="rung rung-strong !min-h-[52px]"
            :disabled="
              plan.status !== 'ready' ||
              plan.askFirst.length > 0 ||
              store.locked ||
              data.visit.stage === 'performing'
            "
            @click="go"
          >
            Prepare the tray
          </button>
        </div>
      </div>
    </div>
    <p v-else class="text-soft">Fitting …</p>
    <PlainDialog :open="keeping !== undefined" title="Keep as written" @close="keeping = undefined">
      <p class="mb-3">
        {{ keeping?.what }}. The decision is yours; say why, and it is kept with the visit under
        your name.
      </p>
      <form @submit.prevent="keep">
        <label class="flex flex-col gap-1">
          Reason
          <input v-model="reason" class="field" required minlength="3" maxlength="300" />
        </label>
        <div class="flex justify-end gap-3 mt-5">
          <button type="button" class="rung" @click="keeping = undefined">Cancel</button>
          <button type="submit" class="rung rung-strong">Keep as written</button>
        </div>
      </form>
    </PlainDialog>
  </VisitFrame>
</template>
