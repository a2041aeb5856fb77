<script setup lang="ts">
import { call, refusalOf, type Reply } from '~/support/api'
import { byName } from '~/support/options'
import { clockTime } from '~/support/time'
import { slotMinutes } from '~/support/today/board'
import { seatAt, type DayChoices, type SeatForm } from '~/support/today/booking'

type Visit = Reply<'/api/day'>['visits'][number]
/** Puts a visit elsewhere, or calls it off with the reason. */
const props = defineProps<{ visit: Visit; day: string; timeZone: string; choices: DayChoices }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const { id, roomId, practitionerId, startsAt } = props.visit
const seat = ref<SeatForm>({
  ...{ date: props.day, roomId, practitionerId },
  time: clockTime(startsAt, props.timeZone),
  slotMinutes: slotMinutes(props.visit),
})
const reason = ref('')
const tells = ref(false)
const isPast = new Date(startsAt).getTime() < Date.now()
const trouble = ref('')
const lists = [
  { key: 'roomId', label: 'Room', items: props.choices.rooms },
  { key: 'practitionerId', label: 'Practitioner', items: props.choices.practitioners },
] as const
const { free, trouble: freeTrouble } = useFreeTimes(() => {
  const { date, slotMinutes } = seat.value
  return {
    protocolId: props.visit.protocolId,
    date,
    slotMinutes,
    clientId: props.visit.clientId,
    but: id,
  }
})
async function change(doing: () => Promise<unknown>) {
  try {
    await doing()
    emit('changed')
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
const params = { id }
const move = () =>
  change(() => call('/api/visits/:id/seat', { method: 'put', params, body: seat.value }))
const callOff = (noShow: boolean) =>
  change(() =>
    call('/api/visits/:id/call-off', {
      ...{ method: 'post', params },
      body: { reason: reason.value.trim() || 'did not come', noShow, tell: tells.value && !noShow },
    }),
  )
</script>

<template>
  <PlainDialog open wide :title="visit.client" @close="emit('close')">
    <form
      class="grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[1fr_1fr_7rem] gap-x-4 gap-y-3"
      @submit.prevent="move"
    >
      <label class="flex flex-col gap-1">
        Day
        <input v-model="seat.date" class="field" type="date" required />
      </label>
      <label class="flex flex-col gap-1">
        From
        <input v-model="seat.time" class="field" type="time" step="300" required />
      </label>
      <label class="flex flex-col gap-1">
        Minutes
        <input
          v-model.number="seat.slotMinutes"
          class="field"
          type="number"
          min="15"
          max="240"
          step="5"
          required
        />
      </label>
      <FieldChoice
        v-for="list in lists"
        :key="list.key"
        plain
        :label="list.label"
        :value="seat[list.key]"
        :options="byName(list.items)"
        @change="seat[list.key] = $event"
      />
      <FreeTimesList
        class="sm:col-span-3"
        :free="free"
        :trouble="freeTrouble"
        :time="seat.time"
        wants="Looking for free times …"
        @take="seat = seatAt(seat, $event)"
      />
      <p v-if="trouble" role="alert" class="sm:col-span-3 text-mind font-medium">{{ trouble }}</p>
      <div class="sm:col-span-3 flex justify-end gap-3">
        <button type="button" class="rung" @click="emit('close')">Leave it</button>
        <button type="submit" class="rung rung-strong">Move the visit</button>
      </div>
    </form>
    <section aria-label="Call it off" class="mt-5 pt-4 border-t border-line flex gap-3 items-end">
      <label class="flex flex-col gap-1 flex-1">
        Call it off, because
        <input
          v-model="reason"
          class="field"
          maxlength="300"
          placeholder="ill, travelling, our mistake …"
        />
      </label>
      <FieldTick :checked="tells" @change="tells = $event">by e-mail too</FieldTick>
      <button
        type="button"
        class="rung"
        v-off="!reason.trim() && 'Say why first.'"
        @click="callOff(false)"
      >
        Call it off
      </button>
      <button v-if="isPast" type="button" class="rung" @click="callOff(true)">Did not come</button>
    </section>
  </PlainDialog>
</template>
