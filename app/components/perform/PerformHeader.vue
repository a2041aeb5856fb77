<script setup lang="ts">
import { pinnedStops } from '#core/adapt'
import { earliestFinishMs, minutesOver } from '~/support/perform/running'
import { clockTime } from '~/support/time'

const emit = defineEmits<{ emergency: []; time: [] }>()
const guard = useGuardStore()
const asks = ref(false)
const { store, plan, live, now, startedMs, finished, timeZone } = useRunning()
const earliest = computed(() =>
  plan.value && live.value ? earliestFinishMs(plan.value, live.value) : undefined,
)
const clock = (ms: number) => clockTime(ms, timeZone.value)
const ahead = computed(
  () =>
    new Set(
      live.value?.segments
        .filter(({ status }) => status === 'ahead' || status === 'now')
        .map(({ segment }) => segment.stepId),
    ),
)
const pinned = computed(() => (plan.value ? pinnedStops(plan.value, ahead.value) : []))
const bookedMs = useBookedEnd()
/** Minutes over the end that was said, else over what is booked. */
const overMin = computed(() => {
  const endMs = store.state?.endsMs ?? bookedMs.value
  const isRunning = startedMs.value !== undefined && !finished.value
  return live.value && endMs !== undefined && isRunning ? minutesOver(live.value, endMs) : 0
})
const { follows } = useLead()
const next = computed(() => store.run?.next)
</script>

<template>
  <header
    v-if="plan && live"
    class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 pb-3 border-b border-line"
  >
    <button
      v-if="guard.covered"
      type="button"
      class="rung !min-h-[56px] w-fit text-lg"
      @click="asks = true"
    >
      Covered: stops and notes with your PIN
    </button>
    <ul v-else class="min-w-0 flex flex-wrap gap-x-4 leading-snug" aria-label="Today’s stops">
      <li v-for="stop in pinned" :key="stop" class="font-semibold text-mind">⊘ {{ stop }}</li>
      <li v-if="pinned.length === 0" class="text-soft">Nothing to stop at from here on</li>
    </ul>
    <p class="text-lg text-soft row-start-2 self-end">
      <span class="text-ink font-semibold">{{ clock(now) }}</span>
      <template v-if="!finished">
        · done {{ earliest ? `${clock(earliest)}–` : '' }}{{ clock(live.finishMs) }}</template
      ><span
        v-if="next"
        :class="live.finishMs > Date.parse(next.startsAt) && 'text-mind font-semibold'"
      >
        · next {{ clock(Date.parse(next.startsAt)) }}
      </span>
      <button
        v-if="overMin && !guard.covered && !follows"
        type="button"
        class="rung ml-2 text-mind !border-mind"
        @click="emit('time')"
      >
        {{ overMin }} min over …
      </button>
    </p>
    <button
      type="button"
      class="rung !min-h-[64px] !border-mind text-mind row-span-2"
      @click="emit('emergency')"
    >
      Emergency
    </button>
    <PlainDialog :open="asks" title="Uncover" @close="asks = false">
      <TakeBack may-skip back="Leave it covered" @opened="asks = false" @other="asks = false" />
    </PlainDialog>
  </header>
</template>
