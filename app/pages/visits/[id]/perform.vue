<script setup lang="ts">
import { levelOf } from '#core/perform'
import { clockOffWords } from '~/support/perform/running'

// Each room is a page of its own: nothing that was opened in one stands in the other.
definePageMeta({ layout: 'perform', key: ({ fullPath }) => fullPath })
// This page's own, also while the next one comes up.
const ownId = String(useRoute().params.id)
const visitId = () => ownId
const { store, plan, live, now, startedMs, finished, titleOf } = useRunning()
const guard = useGuardStore()
const { conflicts } = useConflicts(visitId)
const { ready } = useOpenRun(visitId)
useOpenRooms()
useSignals()

const { follows, leadWords, handedWords, mayHand, may } = useLead()
const taps = useTaps()
const { undo, undoable, inferred } = taps
const gate = useGate(visitId)
const { reading, fitTrouble, openGate, checked } = gate
const big = useBigTarget(taps, gate)
const { primary, skipId, lotOf, act, opened, takeOff } = big
const beside = useBeside(taps, gate, big)
const { panel, emergencyOpen, takesLead, offWords, emergency, endBy, lead } = beside
const { refuse, callNow, skip, handOver, pause, keepNote, takeOffFelt } = beside
/** What the big target asks for is this tablet's to say. */
const mayAct = computed(() => {
  const target = primary.value
  return may(target && 'segmentId' in target ? target.segmentId : undefined)
})
const isBusy = computed(() => {
  const isAsked = lotOf.value !== undefined || reading.value !== undefined
  return panel.value !== undefined || isAsked || takesLead.value || emergencyOpen.value
})
const pedal = usePedal({
  isHeld: () => primary.value?.kind === 'early' && mayAct.value,
  isBusy: () => isBusy.value,
  act: () => {
    if (mayAct.value) void act()
    else takesLead.value = true
  },
  stings: () => {
    if (startedMs.value !== undefined && !finished.value) panel.value = 'sensation'
  },
  undo: () => undo(),
  actHeld: () => {
    if (primary.value?.kind === 'early') void takeOff(primary.value.layer)
  },
})

/** Another tablet of this visit shows another time, where this one is off. */
const clockWords = computed(() => (store.isShared ? clockOffWords(store.behindMs) : ''))
const isPast = computed(
  () => live.value?.layers.some((layer) => levelOf(layer, now.value) === 'most') ?? false,
)
</script>

<template>
  <div
    class="h-screen max-xl:h-[calc(100dvh-3.5rem)] flex flex-col transition-colors duration-[3000ms]"
    :class="isPast && 'bg-mind-ground'"
  >
    <div
      v-if="store.run?.visitId === visitId() && plan && live && primary"
      class="flex-1 min-h-0 grid xl:grid-cols-[560px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] max-xl:grid-cols-[minmax(0,1fr)] max-xl:grid-rows-[auto_minmax(0,1fr)] gap-10 max-xl:gap-3 px-6 max-xl:px-4 pt-4 pb-5 max-xl:pb-1"
    >
      <div
        class="flex flex-col min-h-0 max-xl:flex-row max-xl:items-center max-xl:gap-4 max-sm:!flex-col max-sm:!items-stretch max-sm:!gap-2"
      >
        <LiveLadder class="max-xl:hidden" />
        <LadderStrip class="xl:hidden flex-1 max-sm:flex-none" />
        <div
          v-if="startedMs !== undefined && !finished && !guard.covered"
          class="mt-auto max-xl:mt-0 flex flex-wrap justify-end gap-3 max-xl:gap-2 max-sm:justify-start"
        >
          <button
            v-if="!follows"
            type="button"
            class="rung !min-h-[64px] max-sm:!min-h-[48px] max-sm:!px-2.5"
            @click="panel = 'time'"
            >Time …</button
          >
          <button
            v-if="!follows"
            type="button"
            class="rung !min-h-[64px] max-sm:!min-h-[48px] max-sm:!px-2.5"
            @click="gate.readSkin"
            >Read skin</button
          >
          <button
            type="button"
            class="rung !min-h-[64px] max-sm:!min-h-[48px] max-sm:!px-2.5"
            @click="panel = 'more'"
          >
            More …
          </button>
        </div>
      </div>
      <div class="flex flex-col min-w-0 min-h-0">
        <PerformHeader @emergency="emergencyOpen = true" @time="panel = 'time'" />
        <OtherRooms />
        <PerformState
          :waiting="openGate !== undefined"
          :fit-trouble="fitTrouble"
          @again="taps.onePassMore"
        />
        <div class="min-h-7 pt-1 flex flex-wrap items-baseline gap-x-4" aria-live="polite">
          <p class="text-sm" :class="store.saved === 'Saved' ? 'text-soft' : 'text-now'">
            {{ store.saved }}
          </p>
          <p v-if="clockWords" class="text-sm text-now">{{ clockWords }}</p>
          <NuxtLink
            v-if="conflicts.length > 0"
            :to="`/visits/${visitId()}/fit`"
            class="text-link text-mind mb-2"
          >
            Said differently on two tablets: see both
          </NuxtLink>
          <p v-if="leadWords || handedWords.length > 0" class="text-now pb-1" role="status">
            {{ leadWords }}
            <span v-if="handedWords.length > 0" class="font-semibold">
              {{ follows ? 'Yours' : 'Handed over' }}: {{ handedWords.join(', ') }}
            </span>
          </p>
        </div>
        <BigTargets
          v-if="!finished"
          :primary="primary"
          :progress="pedal.progress.value"
          :undoable="undoable"
          :inferred="follows ? undefined : inferred"
          :follows="!mayAct"
          @tapped="pedal.tapped"
          @press="pedal.press"
          @let-go="pedal.letGo"
          @stings="panel = 'sensation'"
          @check-stings="checked('stings')"
          @undo="undo"
        />
      </div>
    </div>
    <div v-else-if="ready" class="p-10 text-xl">
      <p v-if="store.trouble" role="alert" class="text-mind mb-3">{{ store.trouble }}</p>
      <p>
        This visit has no fitted ladder on this tablet yet.
        <NuxtLink class="text-link" :to="`/visits/${visitId()}/fit`">Fit it first</NuxtLink>.
      </p>
    </div>
    <p v-else class="p-10 text-soft text-xl">Opening …</p>
    <SensationSheet
      v-if="live"
      :open="panel === 'sensation'"
      :fit-again="gate.fitAgain"
      :take-off="takeOffFelt"
      @close="panel = undefined"
      @emergency="emergency"
    />
    <TimeSheet :open="panel === 'time'" @close="panel = undefined" @take="endBy" @pause="pause" />
    <RefuseSheet :open="panel === 'refuse'" @close="panel = undefined" @take="refuse" />
    <OrderSheet :open="panel === 'order'" @close="panel = undefined" @take="callNow" />
    <ChangeSheet />
    <LeadSheet :open="takesLead" @close="takesLead = false" @taken="lead" />
    <LotSheet :step-id="lotOf" @close="lotOf = undefined" @opened="opened" />
    <MoreSheet
      :open="panel === 'more'"
      :skip-title="skipId && titleOf(skipId)"
      :stops="plan?.stops ?? []"
      :hand-title="mayHand && titleOf(mayHand.stepId)"
      :follows="follows"
      @hand="handOver"
      @close="panel = undefined"
      @skip="skip"
      @refuse="panel = 'refuse'"
      @order="panel = 'order'"
      @note="keepNote"
    />
    <LampReading
      :reading="reading"
      @painted="gate.painted"
      @keep="gate.keepReading"
      @close="reading = undefined"
      @emergency="emergencyOpen = true"
    />
    <EmergencyCard
      v-if="store.run"
      :open="emergencyOpen"
      :number="store.run.emergency.number"
      :address="store.run.emergency.address"
      :off="offWords"
      @close="emergencyOpen = false"
    />
  </div>
</template>
