<script setup lang="ts">
import { trendWords, type Trend } from '#core/record'
import type { LongLadderData, Rung } from '~/long-ladder/drawn'
import {
  leverLines,
  minutesWords,
  nextLines,
  skinLines,
  wentLines,
  type Went,
} from '~/long-ladder/told'
import { call } from '~/support/api'
import { shortDate } from '~/support/time'

/** One rung of the long ladder, told: how high, what was felt, what the skin answered, what was noted, what the next visit made of it. */
const props = defineProps<{
  data: LongLadderData
  rung: Rung
  trends: readonly Trend[] | undefined
  /** Another rung is being chosen, to hold this one against. */
  choosing: boolean
}>()
const emit = defineEmits<{ hold: [] }>()
const went = shallowRef<Went>()
const { trouble, attempt } = useAttempt()
onMounted(async () => {
  if (!props.rung.isSigned) return
  went.value = await attempt(() => call('/api/visits/:id/went', { params: { id: props.rung.id } }))
})
const lines = computed(() => [
  ...leverLines(props.rung),
  ...skinLines(props.rung),
  ...(went.value ? wentLines(went.value) : []),
])
const isTold = ({ moves }: Trend) => moves === 'falls' || moves === 'rises'
/** What can be told stands first. */
const inOrder = computed(() =>
  [...(props.trends ?? [])].sort((a, b) => Number(isTold(b)) - Number(isTold(a))),
)
const next = computed(() => nextLines(props.rung, props.data))
const page = computed(
  () => `/visits/${props.rung.id}/${props.rung.stage === 'closed' ? 'close' : 'consult'}`,
)
const minutes = computed(() => minutesWords(props.rung))
const canHold = computed(() => props.data.rungs.filter(({ isSigned }) => isSigned).length > 1)
</script>

<template>
  <aside
    class="lg:border-l lg:border-line lg:pl-7 flex flex-col gap-3 lg:overflow-y-auto lg:max-h-[calc(100dvh-13rem-var(--ribbon,0px))]"
    aria-label="The visit"
  >
    <div>
      <h2 class="text-3xl">{{ shortDate(rung.on) }}</h2>
      <p class="text-soft">
        {{ rung.protocol }}<template v-if="minutes">, {{ minutes }}</template
        >, {{ rung.practitioner }}
      </p>
    </div>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <dl v-if="lines.length > 0" class="grid grid-cols-[6.75rem_minmax(0,1fr)] gap-x-3 gap-y-1">
      <template v-for="(line, at) in lines" :key="at">
        <dt class="font-semibold">{{ lines[at - 1]?.name === line.name ? '' : line.name }}</dt>
        <dd :class="line.isMarked && 'text-mind'">{{ line.words }}</dd>
      </template>
    </dl>
    <p v-else-if="!rung.isSigned" class="text-soft">
      {{ rung.on >= data.today ? 'Booked: nothing has been done yet.' : 'Not signed yet.' }}
    </p>
    <p v-if="rung.note" class="border-t border-hair pt-2">“{{ rung.note }}”</p>
    <section v-if="rung.nextNote" class="border-t border-hair pt-2">
      <h3 class="display text-xl">For next time</h3>
      <p>{{ rung.nextNote }}</p>
    </section>
    <section v-if="next.length > 0" class="border-t border-hair pt-2">
      <h3 class="display text-xl">At the next visit</h3>
      <p v-for="line in next" :key="line.name" :class="line.isMarked && 'text-mind'">
        <span class="font-semibold">{{ line.name }}</span> {{ line.words }}
      </p>
    </section>
    <section v-if="trends && trends.length > 0" class="border-t border-line pt-2">
      <h3 class="display text-xl">What moved</h3>
      <p v-for="trend in inOrder" :key="trend.sign" :class="trend.slope ? '' : 'text-soft'">
        <span class="font-semibold inline-block first-letter:uppercase">{{ trend.sign }}</span>
        {{ trendWords(trend) }}
      </p>
      <p class="text-sm text-soft mt-1">
        From what was read, in one light. It tells what was, and promises nothing.
      </p>
    </section>
    <div class="lg:sticky bottom-0 mt-auto bg-ground py-2 flex flex-wrap gap-2 no-print">
      <NuxtLink :to="page" class="rung">Open this visit</NuxtLink>
      <button
        v-if="canHold"
        type="button"
        class="rung"
        :aria-pressed="choosing"
        @click="emit('hold')"
      >
        {{ choosing ? 'Not now' : 'Hold against …' }}
      </button>
    </div>
    <p v-if="choosing" role="status" class="bg-now-ground px-3 py-2">
      Touch the visit to hold {{ shortDate(rung.on) }} against.
    </p>
  </aside>
</template>
