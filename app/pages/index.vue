<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { preloadStages } from '~/support/stages'
import { clockTime, dateAfter, dayInWords } from '~/support/time'
import { firstToShow, mayMove, type By, type DayVisit, type Gap } from '~/support/today/board'

const session = useSessionStore()
const route = useRoute()
const { day, first, trouble, nowMs, load } = useDay(() =>
  typeof route.query.date === 'string' ? route.query.date : undefined,
)
const booking = ref(false)
const preset = ref<{ roomId?: string; protocolId?: string; time?: string }>({})
const walkingIn = ref(false)
const moving = ref<DayVisit>()
const by = useStorage<By>('zen-board-by', 'room')
/** Others can see this screen: initials alone. */
const isSeen = useStorage('zen-board-seen', false)
const to = (days: number) => ({ query: { date: dateAfter(day.value!.date, days) } })
/** Who may see health answers goes straight to the questions. */
function walkedIn(id: string) {
  walkingIn.value = false
  return session.can('health.read') ? navigateTo(`/visits/${id}/consult`) : load()
}
const STAGE_PAGES: Record<string, string> = { performing: 'perform', closed: 'close' }
const mayRead = computed(() => session.can('health.read'))
const open = ({ id, stage }: DayVisit) =>
  mayRead.value ? navigateTo(`/visits/${id}/${STAGE_PAGES[stage] ?? 'consult'}`) : undefined
const chosenId = ref<string>()
const chosen = computed(() => {
  const visits = day.value?.visits ?? []
  return visits.find(({ id }) => id === chosenId.value) ?? firstToShow(visits, nowMs.value)
})
/** On a screen that others see, facts are shown for a moment, when somebody asks for them. */
const SHOWN_MS = 30_000
const shownId = ref<string>()
let hiding = 0
function showOnce(id: string) {
  shownId.value = id
  window.clearTimeout(hiding)
  hiding = window.setTimeout(() => (shownId.value = undefined), SHOWN_MS)
}
onBeforeUnmount(() => window.clearTimeout(hiding))
/** What says nothing of anybody's health. */
const PLAIN: readonly string[] = ['out', 'twice', 'paper', 'copy']
const items = computed(() =>
  first.value?.filter(({ sign }) => !isSeen.value || PLAIN.includes(sign)),
)
const isHidden = computed(() => isSeen.value && shownId.value !== chosen.value?.id)
const nameOf = ({ client, initials }: DayVisit) => (isSeen.value ? initials : client)
onMounted(preloadStages)
function booked() {
  booking.value = false
  moving.value = undefined
  void load()
}
function book(gap?: Gap, roomId?: string) {
  preset.value =
    gap && roomId
      ? {
          roomId,
          time: clockTime(gap.fromMs, day.value!.timeZone),
          ...(gap.cards[0] ? { protocolId: gap.cards[0].id } : {}),
        }
      : {}
  booking.value = true
}
const BY = [
  { value: 'room', words: 'Rooms' },
  { value: 'person', words: 'People' },
] as const
</script>

<template>
  <div
    class="px-7 max-md:px-4 pt-4 w-full flex-1 flex flex-col lg:h-[calc(100vh-3.5rem-var(--ribbon,0px))]"
  >
    <header v-if="day" class="flex flex-wrap items-end gap-x-4 gap-y-2 mb-3">
      <h1 class="text-4xl">{{ day.date === day.today ? 'Today' : dayInWords(day.date) }}</h1>
      <p v-if="day.date === day.today" class="text-soft pb-1">{{ dayInWords(day.date) }}</p>
      <div class="ml-auto flex flex-wrap gap-2">
        <NuxtLink class="pick grid place-items-center" :to="to(-1)" aria-label="The day before">
          <ChevronLeft :size="20" />
        </NuxtLink>
        <NuxtLink v-if="day.date !== day.today" class="rung" to="/">Today</NuxtLink>
        <NuxtLink class="pick grid place-items-center" :to="to(1)" aria-label="The day after">
          <ChevronRight :size="20" />
        </NuxtLink>
        <RadioPicks label="Columns" :value="by" :options="BY" @change="by = $event" />
        <button
          v-if="mayRead"
          type="button"
          class="pick"
          :aria-pressed="isSeen"
          @click="isSeen = !isSeen"
        >
          Initials
        </button>
        <button v-if="day.date === day.today" type="button" class="rung" @click="walkingIn = true">
          Walk-in
        </button>
        <button type="button" class="rung" @click="book()">Book a visit</button>
      </div>
    </header>
    <p v-if="session.account?.lacksSecondStep" class="mb-3 pl-3 border-l-4 border-now">
      Whoever knows your password opens the whole salon.
      <NuxtLink to="/settings/you" class="text-link">Add a second step</NuxtLink>
    </p>
    <p v-if="trouble" role="alert" class="text-mind pb-2">{{ trouble }}</p>
    <p v-else-if="!day" class="text-soft">Opening the day …</p>
    <div
      v-if="day"
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_21.5rem] flex-1 min-h-0"
    >
      <div class="flex flex-col min-h-0 pr-5">
        <p v-if="day.visits.length === 0" class="text-lg text-soft border-t border-hair py-4">
          No visits on this day. Book one, or look at
          <NuxtLink class="text-link" :to="to(1)">the day after</NuxtLink>.
        </p>
        <DayBoard
          v-else
          :key="`${day.date} ${by}`"
          class="flex-1"
          :day="day"
          :by="by"
          :now-ms="nowMs"
          :chosen-id="chosen?.id"
          :name-of="nameOf"
          @choose="chosenId = $event.id"
          @open="open"
          @move="moving = $event"
          @book="book"
          @moved="load"
        />
      </div>
      <aside class="border-l border-line pl-6 pb-6 overflow-y-auto flex flex-col gap-6">
        <DoFirst v-if="day.date === day.today && (first || !trouble)" :items="items" />
        <VisitBrief
          v-if="chosen"
          :visit="chosen"
          :name="nameOf(chosen)"
          :time-zone="day.timeZone"
          :may-read="mayRead"
          :hidden="isHidden"
          :may-move="mayMove(chosen)"
          @show="showOnce(chosen.id)"
          @move="moving = chosen"
          @open="open(chosen)"
        />
      </aside>
    </div>
    <BookingDialog
      v-if="day"
      :open="booking"
      :day="day.date"
      :choices="day.choices"
      :preset="preset"
      @close="booking = false"
      @booked="booked"
    />
    <MoveDialog
      v-if="day && moving"
      :key="moving.id"
      :visit="moving"
      :day="day.date"
      :time-zone="day.timeZone"
      :choices="day.choices"
      @close="moving = undefined"
      @changed="booked"
    />
    <WalkInDialog
      v-if="day"
      :open="walkingIn"
      :today="day.today"
      :choices="day.choices"
      :practitioner-id="session.account?.practitionerId ?? null"
      @close="walkingIn = false"
      @booked="walkedIn"
    />
  </div>
</template>
