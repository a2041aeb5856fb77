<script setup lang="ts">
import { StorageSerializers, useEventListener, useSessionStorage, useWakeLock } from '@vueuse/core'
import { skippable, type Layer } from '#core/perform'
import type { Reading } from '#core/skin'
import {
  asPerformed,
  currentSteps,
  hintsFor,
  howOf,
  plannedOf,
  primaryOf,
  verbOf,
} from '~/ladder/perform-words'
import { layoutLadder, leaveOnSteps } from '~/ladder/layout'
import { glyphOf } from '~/support/fit/consequences'
import { startOfSeed } from '~/support/seed'
import { clockTime, minutesSeconds } from '~/support/time'

definePageMeta({ layout: 'perform' })
const UNDO_MS = 10_000
const HOLD_MS = 800
const store = useRunStore()
const route = useRoute()
const ready = ref(false)
const sheet = ref(false)
const card = ref(false)
const more = ref(false)
const reading = ref<Reading>()
const fitTrouble = ref('')
const busy = computed(() => sheet.value || card.value || more.value || reading.value !== undefined)
const lastTap = ref<{ ids: string[]; words: string; atMs: number }>()

watch(
  () => String(route.params.id),
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

const run = computed(() => store.run)
const plan = computed(() => store.plan)
const live = computed(() => store.live)
const startedMs = computed(() => store.state?.startedMs)
const now = computed(() => store.nowMs)
const titleOf = (stepId: string) =>
  plan.value?.steps.find((step) => step.id === stepId)?.title ?? ''
const productOf = (stepId: string) =>
  run.value?.input.shelf.products.find(
    (product) =>
      product.id === plan.value?.steps.find((step) => step.id === stepId)?.product?.productId,
  )
const primary = computed(() =>
  plan.value && live.value
    ? primaryOf(plan.value, live.value, startedMs.value !== undefined, now.value)
    : undefined,
)
const hands = computed(() => live.value?.hands)
const clock = computed(() =>
  hands.value
    ? (hands.value.fromMs - now.value) / 1000 +
      hands.value.segment.endS -
      hands.value.segment.startS
    : undefined,
)
const first = computed(() => live.value?.layers[0])
const finished = computed(() => store.state?.finishedMs !== undefined)
const past = computed(
  () => live.value?.layers.some((layer) => now.value >= layer.latestMs) ?? false,
)
const undoable = computed(() =>
  lastTap.value && now.value - lastTap.value.atMs < UNDO_MS ? lastTap.value : undefined,
)
const inferred = computed(() => {
  const last = live.value?.lastInferred
  return !undoable.value && last && now.value - last.toMs < UNDO_MS ? last : undefined
})
const hints = computed(() => (plan.value && live.value ? hintsFor(plan.value, live.value) : []))
const caution = computed(
  () =>
    plan.value?.cautions.find(
      (one) => one.stepId === (hands.value ?? live.value?.next)?.segment.stepId,
    )?.line,
)
const say = computed(
  () => plan.value?.steps.find((step) => step.id === hands.value?.segment.stepId)?.say,
)
const how = computed(() =>
  plan.value && hands.value
    ? howOf(plan.value, hands.value.segment, (now.value - hands.value.fromMs) / 1000)
    : [],
)
const signOf = (layer: Layer) =>
  plan.value ? plannedOf(plan.value, layer.segmentId)?.segment.end?.sign : undefined
const expectOf = (stepId: string) => {
  const one = productOf(stepId)?.expected[0]
  return one
    ? `${one.comfort.toLowerCase()}; a little ${one.sensation} is normal`
    : 'nothing to feel'
}
const offWords = computed(
  () =>
    live.value?.layers
      .map(
        (layer) => `${titleOf(layer.stepId)}: ${productOf(layer.stepId)?.emergencyOff ?? 'rinse'}`,
      )
      .join('; ') ?? '',
)
const layout = computed(() => {
  if (!plan.value || !live.value) return undefined
  const segments =
    startedMs.value === undefined ? plan.value.segments : asPerformed(live.value, startedMs.value)
  return layoutLadder(
    plan.value.steps,
    segments,
    leaveOnSteps(plan.value.steps, run.value!.input.shelf.products),
    { height: 640, rowHeight: 25 },
  )
})
const drawnFrom = computed(() => startedMs.value ?? Date.parse(run.value!.head.startsAt))

type Said = Parameters<typeof store.say>[0]
/** Says one thing, or several that are taken back together. */
async function tap(said: Said | readonly Said[], words: string) {
  const ids: string[] = []
  for (const body of [said].flat() as Said[]) ids.push((await store.say(body)).id)
  lastTap.value = { ids, words, atMs: store.nowMs }
}
async function act() {
  const now = primary.value
  if (!now || finished.value) return
  if (now.kind === 'start') await tap({ type: 'start' }, 'Started')
  else if (now.kind === 'done') await tap({ type: 'finished', segmentId: now.segmentId }, now.words)
  else if (now.kind === 'gate') await (now.gate === 'lamp' ? readSkin() : checked('calm'))
  else if (now.kind === 'finish') {
    await store.say({ type: 'finish' })
    await navigateTo(`/visits/${run.value!.visitId}/close`)
  } else if (now.kind === 'begin' || now.kind === 'off')
    await tap({ type: 'started', segmentId: now.segmentId }, now.words)
}
const takeOff = (layer: Layer) => {
  sheet.value = false
  if (layer.removalId)
    void tap({ type: 'started', segmentId: layer.removalId }, `${titleOf(layer.stepId)} off early`)
}
// Letting go after a hold is not a tap on what the target has become meanwhile.
let fingerHeld = false
let swallow = false
const hold = useHold(HOLD_MS, () => {
  swallow = fingerHeld
  const now = primary.value
  if (now?.kind === 'early') takeOff(now.layer)
})
function tapped() {
  if (swallow) swallow = false
  else void act()
}
/** The lamp reading, in the middle of the visit: what is read fits the rest again from now. */
function readSkin() {
  reading.value =
    draft.value ??
    (JSON.parse(JSON.stringify(store.state?.reading ?? run.value!.input.reading)) as Reading)
}
/** What is painted and not yet kept outlives a reload, not the tab. */
const draft = useSessionStorage<Reading | null>(
  () => `zen-reading-${String(route.params.id)}`,
  null,
  { serializer: StorageSerializers.object },
)
const painted = (next: Reading) => {
  reading.value = draft.value = next
}
const openGate = computed(() => (hands.value?.segment.gate ? hands.value.segment : undefined))
async function keepReading() {
  const done = { ...reading.value!, done: true }
  const gate = openGate.value?.gate === 'lamp' ? openGate.value : undefined
  reading.value = undefined
  draft.value = null
  await store.say({ type: 'read', stepId: gate?.stepId ?? 'reading', reading: done })
  if (gate) await store.say({ type: 'finished', segmentId: gate.id })
  fitTrouble.value = (await store.fitAgain()) ?? ''
}
async function checked(answer: 'calm' | 'stings') {
  const gate = openGate.value!
  const steps = plan.value!.steps
  const productId = steps.find(
    (step) => step.id === steps.find((one) => one.id === gate.stepId)?.checks,
  )?.product?.productId
  await store.say({
    type: 'checked',
    stepId: gate.stepId,
    answer,
    ...(productId ? { productId } : {}),
  })
  await store.say({ type: 'finished', segmentId: gate.id })
  fitTrouble.value = (await store.fitAgain()) ?? ''
}
const AGAIN_MS = 180_000
/** What the newest fit changed that the ladder before it did not have. */
const again = computed(() => {
  const fits =
    store.state?.events.flatMap((event) =>
      event.body.type === 'replanned'
        ? [{ id: event.id, atMs: event.wallMs, plan: event.body.plan }]
        : [],
    ) ?? []
  const last = fits.at(-1)
  if (!last || now.value - last.atMs >= AGAIN_MS) return undefined
  // After a reload the visit's plan is this one already; then everything of it is shown.
  const earlier = fits.at(-2)?.plan ?? (run.value!.planId === last.id ? undefined : run.value!.plan)
  const before = new Set(earlier?.changes.map((change) => change.what))
  return last.plan.changes.filter((change) => change.kind !== 'hung' && !before.has(change.what))
})
const range = computed(() =>
  plan.value &&
  live.value &&
  plan.value.open.length > 0 &&
  plan.value.leastTotalS < plan.value.totalS
    ? live.value.finishMs - (plan.value.totalS - plan.value.leastTotalS) * 1000
    : undefined,
)
const skipId = computed(() =>
  live.value && startedMs.value !== undefined ? skippable(live.value) : undefined,
)
/** A step goes with what closes it: no clearing fluid after an extraction that was left out. */
async function leaveOut(reason: string) {
  more.value = false
  const steps = plan.value!.steps.filter(
    (one) => one.id === skipId.value || (one.closes === skipId.value && one.gate === undefined),
  )
  await tap(
    steps.map((step): Said => ({ type: 'skipped', stepId: step.id, reason })),
    `${titleOf(skipId.value ?? '')} left out`,
  )
}
async function undo() {
  const last = undoable.value
  lastTap.value = undefined
  if (last) for (const eventId of last.ids) await store.say({ type: 'retract', eventId })
  else if (inferred.value) await store.say({ type: 'still', segmentId: inferred.value.segment.id })
}
function press() {
  fingerHeld = true
  swallow = false
  if (primary.value?.kind === 'early') hold.start()
}
function letGo() {
  fingerHeld = false
  hold.stop()
}

// A pedal sends keys: Space is the big target wherever the focus is (Enter works the focused control). Key repeat is no second press.
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.code !== 'Space' || busy.value) return
  event.preventDefault()
  if (event.repeat) return
  if (primary.value?.kind === 'early') hold.start()
  else void act()
})
useEventListener('keyup', (event: KeyboardEvent) => {
  if (event.code !== 'Space' || busy.value) return
  event.preventDefault()
  hold.stop()
})
function emergency() {
  sheet.value = false
  card.value = true
  void store.say({ type: 'emergency' })
}
function keepNote(text: string) {
  more.value = false
  void store.say({ type: 'note', text })
}
</script>

<template>
  <div
    class="h-screen flex flex-col transition-colors duration-[3000ms]"
    :class="past && 'bg-mind-ground'"
  >
    <div
      v-if="run && plan && live && layout && primary"
      class="flex-1 min-h-0 grid grid-cols-[560px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] gap-10 px-6 pt-4 pb-5"
    >
      <div class="flex flex-col min-h-0">
        <LadderView
          :layout="layout"
          :width="560"
          :rail-x="62"
          :start-ms="drawnFrom"
          :total-s="Math.round((live.finishMs - drawnFrom) / 1000)"
          :time-zone="run.head.timeZone"
          v-bind="startedMs ? { nowS: (now - startedMs) / 1000 } : {}"
          :current-step-ids="currentSteps(live)"
          :perhaps="plan.open.flatMap((gate) => gate.stepIds)"
        />
        <div v-if="startedMs !== undefined && !finished" class="mt-auto flex justify-end gap-3">
          <button type="button" class="rung !min-h-[64px]" @click="readSkin">Read skin</button>
          <button type="button" class="rung !min-h-[64px]" @click="more = true">
            Leave out, note …
          </button>
        </div>
      </div>
      <div class="flex flex-col min-w-0 min-h-0">
        <header
          class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 pb-3 border-b border-line"
        >
          <ul class="min-w-0 flex flex-wrap gap-x-4 leading-snug" aria-label="Today’s stops">
            <li v-if="plan.stops.length === 0" class="text-soft">No stops today</li>
            <li v-for="stop in plan.stops" :key="stop" class="font-semibold text-mind">
              ⊘ {{ stop }}
            </li>
          </ul>
          <p class="text-lg text-soft row-start-2 self-end">
            <span class="text-ink font-semibold">{{ clockTime(now, run.head.timeZone) }}</span> ·
            done {{ range ? `${clockTime(range, run.head.timeZone)}–` : ''
            }}{{ clockTime(live.finishMs, run.head.timeZone)
            }}<span
              v-if="run.next"
              :class="live.finishMs > Date.parse(run.next.startsAt) && 'text-mind font-semibold'"
            >
              · next {{ clockTime(run.next.startsAt, run.head.timeZone) }}
            </span>
          </p>
          <button
            type="button"
            class="rung !min-h-[64px] !border-mind text-mind row-span-2"
            @click="card = true"
          >
            Emergency
          </button>
        </header>

        <div class="flex-1 min-h-0 pt-3 overflow-y-auto" aria-live="polite">
          <template v-if="startedMs === undefined">
            <p class="text-xl text-soft mt-6">
              First: {{ titleOf(live.next?.segment.stepId ?? '') }}
            </p>
            <p class="display text-6xl mt-2">
              {{ minutesSeconds(plan.totalS) }}
            </p>
            <p class="text-lg text-soft mt-3">
              The clocks run from the start; nothing is lost if the screen sleeps or the network
              goes.
            </p>
          </template>
          <template v-else-if="finished">
            <p class="display text-5xl mt-8">The visit is over</p>
            <NuxtLink
              class="text-link text-xl mt-4 inline-block"
              :to="`/visits/${run.visitId}/close`"
            >
              Close it
            </NuxtLink>
          </template>
          <template v-else-if="hands">
            <p class="text-xl text-now font-semibold">{{ verbOf(plan, hands.segment) }}</p>
            <h1 class="text-4xl mt-0.5">{{ titleOf(hands.segment.stepId) }}</h1>
            <p
              role="timer"
              aria-label="Time left"
              data-testid="big-clock"
              class="text-[8.5rem] leading-[1.05] font-light tabular-nums"
              :class="clock! < 0 && 'text-now'"
            >
              {{ clock! < 0 ? '+' : '' }}{{ minutesSeconds(Math.abs(clock!)) }}
            </p>
            <p v-if="caution" class="text-lg text-mind">! {{ caution }}</p>
            <p v-for="(line, at) in how" :key="at" class="text-lg" :class="at > 0 && 'text-soft'">{{
              line
            }}</p>
            <p v-if="say" class="text-lg text-soft">Say: “{{ say }}”</p>
            <p v-if="plannedOf(plan, hands.segment.id)?.segment.end?.sign" class="text-lg">
              Until {{ plannedOf(plan, hands.segment.id)?.segment.end?.sign }}
            </p>
            <p v-if="live.next" class="text-lg text-soft">
              Then: {{ verbOf(plan, live.next.segment).toLowerCase() }},
              {{ titleOf(live.next.segment.stepId) }}
            </p>
          </template>
          <template v-else-if="first">
            <p v-if="now >= first.latestMs" class="text-xl text-mind font-semibold">
              ⊘ Take it off now
            </p>
            <p v-else-if="now >= first.dueMs" class="text-xl text-now font-semibold">
              Ready to come off
            </p>
            <p v-else class="text-xl text-now font-semibold">
              Hands free{{
                live.freeUntilMs && live.freeUntilMs > now
                  ? `, ${minutesSeconds((live.freeUntilMs - now) / 1000)}`
                  : ''
              }}
            </p>
            <h1 class="text-4xl mt-0.5">{{ titleOf(first.stepId) }}</h1>
            <p
              role="timer"
              aria-label="Time left"
              data-testid="big-clock"
              class="text-[8.5rem] leading-[1.05] font-light tabular-nums"
              :class="now >= first.dueMs && 'text-mind'"
            >
              {{ now >= first.dueMs ? '+' : ''
              }}{{ minutesSeconds(Math.abs(first.dueMs - now) / 1000) }}
            </p>
            <p v-if="live.next" class="text-lg text-soft">
              Then: {{ verbOf(plan, live.next.segment).toLowerCase() }},
              {{ titleOf(live.next.segment.stepId) }}
            </p>
            <p v-if="hints.length > 0 && now < first.dueMs" class="text-lg">
              Meanwhile lay out: {{ hints.join(' · ') }}
            </p>
          </template>
          <template v-else-if="live.allDone">
            <p class="display text-5xl mt-8">Everything is done</p>
          </template>
          <template v-else>
            <p class="display text-4xl mt-8">
              Hands free until {{ clockTime(live.freeUntilMs ?? now, run.head.timeZone) }}
            </p>
          </template>
          <p v-if="openGate" class="text-lg text-now">
            Everything after it waits for your answer<template
              v-for="gate in plan.open"
              :key="gate.gateId"
              >; perhaps {{ gate.stepIds.map(titleOf).join(', ').toLowerCase() }},
              {{ gate.words }} </template
            >.
          </p>
          <section
            v-if="again"
            aria-label="Fitted again"
            class="mt-3 border-l-4 border-now bg-now-ground px-3 py-2"
          >
            <p class="font-semibold">
              Fitted again from now{{ again.length === 0 ? ': nothing changes' : '' }}
            </p>
            <p v-for="why in plan.refer" :key="why.ruleId" class="text-mind">
              <span class="font-semibold">▲ Refer: {{ why.because }}.</span> {{ why.instead }}
            </p>
            <p v-for="(change, at) in again.slice(0, 5)" :key="at" class="truncate">
              <span class="text-mind font-bold">{{ glyphOf(change.kind).glyph }}</span>
              {{ change.what }}
              <span class="text-sm text-soft">{{
                change.why[0]?.because === 'always' ? change.why[0].reason : change.why[0]?.because
              }}</span>
            </p>
            <p v-if="again.length > 5" class="text-soft">
              and {{ again.length - 5 }} more on the ladder
            </p>
          </section>
          <p v-if="fitTrouble" role="alert" class="text-mind mt-2">
            It could not be fitted again: {{ fitTrouble }} Go on as planned.
          </p>
          <section v-if="!finished" class="mt-4" aria-label="On the skin now">
            <LayerClock
              v-for="layer in live.layers"
              :key="layer.segmentId"
              :layer="layer"
              :title="titleOf(layer.stepId)"
              :shown-big="!hands && layer === first"
              :expect="
                [expectOf(layer.stepId), signOf(layer) && `ready when ${signOf(layer)}`]
                  .filter(Boolean)
                  .join(' · ')
              "
              :now-ms="now"
            />
          </section>
        </div>

        <p
          class="text-sm h-7 pt-1"
          :class="store.unsent > 0 ? 'text-now' : 'text-soft'"
          aria-live="polite"
        >
          {{ store.unsent > 0 ? `${store.unsent} kept on this tablet. ${store.trouble}` : 'Saved' }}
        </p>
        <div v-if="!finished" class="grid grid-cols-[minmax(0,1fr)_9rem_9rem] gap-3">
          <button
            id="primary"
            type="button"
            class="rung rung-strong !min-h-[120px] text-2xl !font-semibold relative overflow-hidden !bg-now !border-now !text-on-strong px-6 select-none touch-none"
            @click="tapped"
            @pointerdown="press"
            @pointerup="letGo"
            @pointerleave="letGo"
            @contextmenu.prevent
          >
            <span
              class="absolute inset-y-0 left-0 bg-ink/30"
              :style="{ width: `${hold.progress.value * 100}%` }"
              aria-hidden="true"
            />
            <span class="relative">{{ primary.words }}</span>
          </button>
          <button
            v-if="primary.kind === 'gate' && primary.gate === 'quick-check'"
            type="button"
            class="rung !min-h-[120px] text-xl !border-mind text-mind"
            @click="checked('stings')"
          >
            It stings
          </button>
          <button
            v-else
            type="button"
            class="rung !min-h-[120px] text-xl"
            :disabled="startedMs === undefined"
            @click="sheet = true"
          >
            Stings
          </button>
          <button
            type="button"
            class="rung !min-h-[120px] text-lg"
            :disabled="!undoable && !inferred"
            @click="undo"
          >
            {{
              undoable
                ? `Undo ${Math.ceil((UNDO_MS - (now - undoable.atMs)) / 1000)}`
                : inferred
                  ? `Still at ${titleOf(inferred.segment.stepId)}`
                  : 'Undo'
            }}
          </button>
        </div>
      </div>
    </div>
    <div v-else-if="ready" class="p-10 text-xl">
      <p v-if="store.trouble" role="alert" class="text-mind mb-3">{{ store.trouble }}</p>
      <p>
        This visit has no fitted ladder on this tablet yet.
        <NuxtLink class="text-link" :to="`/visits/${route.params.id}/fit`">Fit it first</NuxtLink>.
      </p>
    </div>
    <p v-else class="p-10 text-soft text-xl">Opening …</p>
    <SensationSheet
      v-if="live"
      :open="sheet"
      :layers="live.layers"
      :title-of="titleOf"
      :product-of="productOf"
      :now-ms="now"
      @close="sheet = false"
      @felt="(stepId, sensation) => store.say({ type: 'sensation', stepId, sensation })"
      @comfort="(stepId, measure) => store.say({ type: 'comfort', stepId, measure })"
      @off="takeOff"
      @emergency="emergency"
    />
    <MoreSheet
      :open="more"
      :skip-title="skipId && titleOf(skipId)"
      @close="more = false"
      @skip="leaveOut"
      @note="keepNote"
    />
    <PlainDialog
      :open="reading !== undefined"
      full
      title="Read the skin, under the lamp"
      @close="reading = undefined"
    >
      <template v-if="reading && run">
        <SkinReader
          :model-value="reading"
          :last-reading="run.lastReading"
          :disabled="false"
          :probe-seed="startOfSeed(run.head.clientId)"
          @update:model-value="painted"
        />
        <div class="flex items-center gap-3 sticky -bottom-4 bg-raised pt-3 pb-2">
          <p v-if="first" class="text-lg w-52 leading-tight" aria-live="off">
            <span class="block text-3xl tabular-nums" :class="now >= first.dueMs && 'text-mind'">
              {{ now >= first.dueMs ? '+' : ''
              }}{{ minutesSeconds(Math.abs(first.dueMs - now) / 1000) }}
            </span>
            {{ titleOf(first.stepId) }}
          </p>
          <button type="button" class="rung !min-h-[72px] text-lg" @click="reading = undefined">
            Not now
          </button>
          <button
            type="button"
            class="rung !min-h-[72px] !border-mind text-mind"
            @click="card = true"
          >
            Emergency
          </button>
          <button
            type="button"
            class="rung rung-strong !min-h-[72px] flex-1 text-xl"
            @click="keepReading"
          >
            Read: fit the rest from now
          </button>
        </div>
      </template>
    </PlainDialog>
    <EmergencyCard
      v-if="run"
      :open="card"
      :number="run.emergency.number"
      :address="run.emergency.address"
      :off="offWords"
      @close="card = false"
    />
  </div>
</template>
