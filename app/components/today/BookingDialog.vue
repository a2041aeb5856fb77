<script setup lang="ts">
import type { FreeTimes } from '~/composables/today/useFreeTimes'
import { call, refusalOf } from '~/support/api'
import { byName } from '~/support/options'
import { missingChoice, REPEATS, seatAt, WEEKS, type DayChoices } from '~/support/today/booking'

interface Preset {
  clientId?: string
  clientName?: string
  protocolId?: string
  roomId?: string
  time?: string
  practitionerId?: string
}
const props = defineProps<{ open: boolean; day: string; choices: DayChoices; preset?: Preset }>()
const emit = defineEmits<{ close: []; booked: [id: string] }>()

const session = useSessionStore()
const LENGTH = 90
const DAYS_OF_WEEK = 7
const empty = () => ({
  ...{ clientId: '', clientName: '', protocolId: '', roomId: '', practitionerId: '' },
  ...{ date: props.day, time: '18:00', slotMinutes: LENGTH, count: 1, weeks: 4, turns: false },
  ...props.preset,
})
const form = ref(empty())
/** The length is the card's own until somebody types another. */
const hasOwnLength = ref(false)
const trouble = ref('')
watch(
  () => props.open,
  (open) => {
    if (open) form.value = empty()
    trouble.value = ''
    hasOwnLength.value = false
  },
)
const lists = computed(
  () =>
    [
      { key: 'protocolId', label: 'Protocol', items: props.choices.protocols, unset: 'Choose' },
      {
        key: 'practitionerId',
        label: 'Practitioner',
        items: props.choices.practitioners,
        unset: 'Whoever is free',
      },
      { key: 'roomId', label: 'Room', items: props.choices.rooms, unset: 'Any that is free' },
    ] as const,
)
const NEEDED = [{ key: 'clientId', label: 'Client' }] as const
const { free, trouble: freeTrouble } = useFreeTimes(() => {
  const { protocolId, date, slotMinutes, clientId, roomId, practitionerId, turns } = form.value
  if (!props.open || !protocolId || !date) return undefined
  const chosen = Object.entries({ clientId, roomId, practitionerId }).filter(([, id]) => id)
  const length = hasOwnLength.value ? { slotMinutes } : {}
  const inTurn = turns ? { turns } : {}
  return { protocolId, date, ...length, ...Object.fromEntries(chosen), ...inTurn }
})
watch(free, (found) => {
  if (found && !hasOwnLength.value) form.value.slotMinutes = found.minutes
})
const seat = computed(() => {
  const { clientId, practitionerId, date, time, slotMinutes } = form.value
  return clientId && practitionerId
    ? { clientId, practitionerId, date, time, slotMinutes }
    : undefined
})
const setLength = (event: Event) => {
  hasOwnLength.value = true
  form.value.slotMinutes = Number((event.target as HTMLInputElement).value)
}
function take(time: FreeTimes['times'][number]) {
  Object.assign(form.value, seatAt(form.value, time))
  // In turn it is longer by what it waits for hands.
  if (time.minutes) form.value.slotMinutes = time.minutes
}
const setClient = (clientId: string, clientName: string) =>
  Object.assign(form.value, { clientId, clientName })
async function book() {
  const missing = missingChoice([...NEEDED, ...lists.value], form.value)
  if (missing) return void (trouble.value = missing)
  const { count, weeks, clientName: _name, turns, ...seat } = form.value
  const body = { ...seat, ...(turns ? { turns } : {}) }
  const repeat = count > 1 ? { repeat: { count, everyDays: DAYS_OF_WEEK * weeks } } : {}
  try {
    const { id } = await call('/api/visits', { method: 'post', body: { ...body, ...repeat } })
    emit('booked', id)
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
</script>

<template>
  <PlainDialog :open="open" wide title="Book a visit" @close="emit('close')">
    <form class="grid grid-cols-2 gap-x-4 gap-y-3" @submit.prevent="book">
      <ClientPick
        label="Client"
        :value="form.clientId"
        :name="form.clientName"
        @change="setClient"
      />
      <FieldChoice
        v-for="list in lists"
        :key="list.key"
        plain
        :grows="list.key === 'protocolId'"
        :label="list.label"
        :unset="list.unset"
        :value="form[list.key]"
        :options="byName(list.items)"
        @change="form[list.key] = $event"
      />
      <PickCard
        v-if="session.can('health.read')"
        class="col-span-2"
        :seat="seat"
        :current-id="form.protocolId"
        compares="Every card fitted to this client, day and length."
        wants="Choose client and practitioner first."
        @take="form.protocolId = $event"
      />
      <div
        class="col-span-2 grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[1fr_1fr_7rem_1fr] gap-4"
      >
        <label class="flex flex-col gap-1">
          Day
          <input v-model="form.date" class="field" type="date" required />
        </label>
        <label class="flex flex-col gap-1">
          From
          <input v-model="form.time" class="field" type="time" step="300" required />
        </label>
        <label class="flex flex-col gap-1">
          Minutes
          <input
            class="field"
            type="number"
            min="15"
            max="240"
            step="5"
            required
            :value="form.slotMinutes"
            @change="setLength"
          />
        </label>
        <RepeatChoice
          v-model:count="form.count"
          v-model:weeks="form.weeks"
          :counts="REPEATS"
          :every="WEEKS"
        />
      </div>
      <FreeTimesList
        class="col-span-2"
        :free="free"
        :in-turn="form.turns"
        :trouble="freeTrouble"
        :time="form.time"
        wants="Choose a protocol: the times that are really free stand here."
        @take="take"
      />
      <FieldTick class="col-span-2" :checked="form.turns" @change="form.turns = $event">
        Takes turns with another client of the same practitioner
      </FieldTick>
      <p v-if="trouble" role="alert" class="col-span-2 text-mind font-medium">{{ trouble }}</p>
      <div class="col-span-2 flex gap-3 justify-end">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Book</button>
      </div>
    </form>
  </PlainDialog>
</template>
