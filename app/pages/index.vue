<script setup lang="ts">
import { CalendarClock, ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { call, refusalOf, type Reply } from '~/support/api'
import { clockTime, dateAfter, dayInWords } from '~/support/time'
import { preloadStages } from '~/support/stages'

type Day = Reply<'/api/day'>

const session = useSessionStore()
const route = useRoute()
const day = ref<Day>()
const trouble = ref('')
const booking = ref(false)
const walkingIn = ref(false)
const moving = ref<Day['visits'][number]>()
const STAGE_WORDS: Record<string, string> = {
  booked: 'Not opened',
  open: 'Being prepared',
  performing: 'Running',
  closed: 'Signed',
}

async function load() {
  try {
    day.value = await call('/api/day', {
      query: typeof route.query.date === 'string' ? { date: route.query.date } : {},
    })
    trouble.value = ''
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
watch(() => route.query.date, load, { immediate: true })
const rooms = computed(() =>
  [...new Set(day.value?.visits.map((visit) => visit.room) ?? [])].sort(),
)
const to = (days: number) => ({ query: { date: dateAfter(day.value!.date, days) } })
/** Who may see health answers goes straight to the questions. */
function walkedIn(id: string) {
  walkingIn.value = false
  return session.can('health.read') ? navigateTo(`/visits/${id}/consult`) : load()
}
/** Where a visit goes on: by its stage, and how its stage is inked. */
const STAGE_PAGES: Record<string, string> = { performing: 'perform', closed: 'close' }
const STAGE_INKS: Record<string, string> = {
  performing: 'text-now font-semibold',
  closed: 'text-calm',
}
const linkTo = ({ id, stage }: Day['visits'][number]) =>
  `/visits/${id}/${STAGE_PAGES[stage] ?? 'consult'}`
/** What is wrong with the ladder that was fitted; once it runs, that is past. */
const warningOf = ({ stage, verdict }: Day['visits'][number]) =>
  stage === 'booked' || stage === 'open' ? verdict?.problems[0] : undefined
onMounted(preloadStages)
function booked() {
  booking.value = false
  moving.value = undefined
  void load()
}
const mayMove = ({ stage }: Day['visits'][number]) => stage === 'booked' || stage === 'open'
</script>

<template>
  <div class="px-7 py-6 w-full max-w-6xl mx-auto">
    <header v-if="day" class="flex items-end gap-4 mb-6">
      <h1 class="text-4xl">{{ day.date === day.today ? 'Today' : dayInWords(day.date) }}</h1>
      <p v-if="day.date === day.today" class="text-soft pb-1">{{ dayInWords(day.date) }}</p>
      <div class="ml-auto flex gap-2">
        <NuxtLink class="pick grid place-items-center" :to="to(-1)" aria-label="The day before">
          <ChevronLeft :size="20" />
        </NuxtLink>
        <NuxtLink v-if="day.date !== day.today" class="rung" to="/">Today</NuxtLink>
        <NuxtLink class="pick grid place-items-center" :to="to(1)" aria-label="The day after">
          <ChevronRight :size="20" />
        </NuxtLink>
        <button v-if="day.date === day.today" type="button" class="rung" @click="walkingIn = true">
          Walk-in
        </button>
        <button type="button" class="rung" @click="booking = true">Book a visit</button>
      </div>
    </header>
    <p v-if="session.account?.lacksSecondStep" class="mb-5 pl-3 border-l-4 border-now">
      Whoever knows your password opens the whole salon.
      <NuxtLink to="/settings/you" class="text-link">Add a second step</NuxtLink>
    </p>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else-if="!day" class="text-soft">Opening the day …</p>
    <p v-else-if="day.visits.length === 0" class="text-lg text-soft border-t border-hair pt-6">
      No visits on this day. Book one, or look at
      <NuxtLink class="text-link" :to="to(1)">the day after</NuxtLink>.
    </p>
    <div v-else class="grid gap-10" :class="rooms.length > 1 ? 'grid-cols-2' : 'grid-cols-1'">
      <section v-for="room in rooms" :key="room" :aria-label="`Room ${room}`">
        <h2 class="text-xl mb-1 pb-2 border-b border-line">{{ room }}</h2>
        <ul>
          <li
            v-for="visit in day.visits.filter((one) => one.room === room)"
            :key="visit.id"
            class="border-b border-hair flex items-stretch"
          >
            <component
              :is="session.can('health.read') ? 'a' : 'div'"
              :href="session.can('health.read') ? linkTo(visit) : undefined"
              class="flex-1 grid grid-cols-[5.5rem_1fr_auto] gap-4 py-3.5 px-1 items-baseline"
              :class="session.can('health.read') && 'hover:bg-sunk'"
              @click.prevent="session.can('health.read') && navigateTo(linkTo(visit))"
            >
              <span class="text-lg">
                {{ clockTime(visit.startsAt, day.timeZone) }}
                <span class="block text-sm text-soft">
                  to {{ clockTime(visit.endsAt, day.timeZone) }}
                </span>
              </span>
              <span>
                <span class="text-lg font-semibold">
                  {{ visit.client }}
                </span>
                <span class="block text-soft">{{ visit.protocol }}</span>
                <span v-if="warningOf(visit)" class="block text-sm text-mind font-semibold">{{
                  warningOf(visit)
                }}</span>
              </span>
              <span class="text-right text-sm">
                <span :class="STAGE_INKS[visit.stage] ?? 'text-soft'">
                  {{ STAGE_WORDS[visit.stage] }}
                </span>
                <span class="block text-soft">{{ visit.practitioner }}</span>
              </span>
            </component>
            <button
              v-if="mayMove(visit)"
              type="button"
              class="w-11 grid place-items-center hover:bg-sunk"
              :aria-label="`Move or call off: ${visit.client}`"
              @click="moving = visit"
            >
              <CalendarClock :size="20" />
            </button>
          </li>
        </ul>
      </section>
    </div>
    <BookingDialog
      v-if="day"
      :open="booking"
      :day="day.date"
      :choices="day.choices"
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
