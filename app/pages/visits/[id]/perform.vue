<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { levelOf, type Layer } from '#core/perform'

definePageMeta({ layout: 'perform' })
const route = useRoute()
const visitId = () => String(route.params.id)
const { store, plan, live, now, startedMs, finished, titleOf, productOf } = useRunning()
const ready = ref(false)
const panel = ref<'sensation' | 'more' | 'time'>()
const guard = useGuardStore()
const emergencyOpen = ref(false)

watch(
  visitId,
  async (id) => {
    await store.open(id)
    ready.value = true
  },
  { immediate: true },
)
onBeforeUnmount(store.close)
const wake = useWakeLock()
onMounted(() => {
  void wake.request('screen')
})
onBeforeUnmount(() => {
  void wake.release()
})

const { tap, took, undo, undoable, inferred } = useTaps()
const gate = useGate(visitId)
const { reading, fitTrouble, openGate, checked } = gate
const { primary, skipId, act, takeOff, leaveOut } = useBigTarget({ tap }, gate)
const pedal = usePedal({
  isHeld: () => primary.value?.kind === 'early',
  isBusy: () => panel.value !== undefined || emergencyOpen.value || reading.value !== undefined,
  act: () => void act(),
  stings: () => {
    if (startedMs.value !== undefined && !finished.value) panel.value = 'sensation'
  },
  undo: () => undo(),
  actHeld: () => {
    if (primary.value?.kind === 'early') void takeOff(primary.value.layer)
  },
})

const isPast = computed(
  () => live.value?.layers.some((layer) => levelOf(layer, now.value) === 'most') ?? false,
)
const offWords = computed(() => {
  const layers = live.value?.layers ?? []
  return layers
    .map(({ stepId }) => `${titleOf(stepId)}: ${productOf(stepId)?.emergencyOff ?? 'rinse'}`)
    .join('; ')
})
function takeOffFelt(layer: Layer): Promise<void> {
  panel.value = undefined
  return takeOff(layer)
}
function emergency() {
  panel.value = undefined
  emergencyOpen.value = true
  void store.say({ type: 'emergency' })
}
async function skip(reason: string) {
  panel.value = undefined
  await leaveOut(reason)
}
async function endBy(endsMs: number) {
  panel.value = undefined
  // What the server keeps is the newest fit: taken back, the rest is fitted without that end.
  took(await gate.endBy(endsMs), 'The end', gate.fitAgain)
}
function pause() {
  panel.value = undefined
  void tap({ type: 'pause' }, 'Pause')
}
function keepNote(text: string) {
  panel.value = undefined
  void store.say({ type: 'note', text })
}
</script>

<template>
  <div
    class="h-screen max-xl:h-[calc(100dvh-3.5rem)] flex flex-col transition-colors duration-[3000ms]"
    :class="isPast && 'bg-mind-ground'"
  >
    <div
      v-if="store.run && plan && live && primary"
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
            type="button"
            class="rung !min-h-[64px] max-sm:!min-h-[48px] max-sm:!px-2.5"
            @click="panel = 'time'"
            >Time …</button
          >
          <button
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
            Leave out, note …
          </button>
        </div>
      </div>
      <div class="flex flex-col min-w-0 min-h-0">
        <PerformHeader @emergency="emergencyOpen = true" @time="panel = 'time'" />
        <PerformState :waiting="openGate !== undefined" :fit-trouble="fitTrouble" />
        <p
          class="text-sm h-7 pt-1"
          :class="store.saved === 'Saved' ? 'text-soft' : 'text-now'"
          aria-live="polite"
        >
          {{ store.saved }}
        </p>
        <BigTargets
          v-if="!finished"
          :primary="primary"
          :progress="pedal.progress.value"
          :undoable="undoable"
          :inferred="inferred"
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
    <MoreSheet
      :open="panel === 'more'"
      :skip-title="skipId && titleOf(skipId)"
      :stops="plan?.stops ?? []"
      @close="panel = undefined"
      @skip="skip"
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
