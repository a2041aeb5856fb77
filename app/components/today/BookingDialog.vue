<script setup lang="ts">
import { call, refusalOf } from '~/support/api'
import { byName } from '~/support/options'
import { missingChoice, type DayChoices } from '~/support/today/booking'

const props = defineProps<{
  open: boolean
  day: string
  choices: DayChoices
  preset?: { clientId?: string; protocolId?: string; roomId?: string; practitionerId?: string }
}>()
/** Lists that grow with the salon are searched. */
const GROWING: ReadonlySet<string> = new Set(['clientId', 'protocolId'])
const emit = defineEmits<{ close: []; booked: [id: string] }>()

const session = useSessionStore()
const empty = () => ({
  clientId: '',
  protocolId: '',
  roomId: '',
  practitionerId: '',
  date: props.day,
  time: '18:00',
  slotMinutes: 90,
  ...props.preset,
})
const form = ref(empty())
const trouble = ref('')
watch(
  () => props.open,
  (open) => {
    if (open) form.value = empty()
    trouble.value = ''
  },
)

const lists = computed(
  () =>
    [
      { key: 'clientId', label: 'Client', items: props.choices.clients },
      { key: 'protocolId', label: 'Protocol', items: props.choices.protocols },
      { key: 'roomId', label: 'Room', items: props.choices.rooms },
      { key: 'practitionerId', label: 'Practitioner', items: props.choices.practitioners },
    ] as const,
)

/** Whose cards are compared; undefined while too little is chosen. */
const seat = computed(() => {
  const { clientId, practitionerId, date, time, slotMinutes } = form.value
  return clientId && practitionerId
    ? { clientId, practitionerId, date, time, slotMinutes }
    : undefined
})
async function book() {
  const missing = missingChoice(lists.value, form.value)
  if (missing) return void (trouble.value = missing)
  try {
    const { id } = await call('/api/visits', { method: 'post', body: form.value })
    emit('booked', id)
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
</script>

<template>
  <PlainDialog :open="open" title="Book a visit" @close="emit('close')">
    <form class="grid grid-cols-2 gap-4" @submit.prevent="book">
      <FieldChoice
        v-for="list in lists"
        :key="list.key"
        plain
        :grows="GROWING.has(list.key)"
        :label="list.label"
        unset="Choose"
        :value="form[list.key]"
        :options="byName(list.items)"
        @change="form[list.key] = $event"
      />
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
          v-model.number="form.slotMinutes"
          class="field"
          type="number"
          min="15"
          max="240"
          step="15"
          required
        />
      </label>
      <PickCard
        v-if="session.can('health.read')"
        class="col-span-2"
        :seat="seat"
        :current-id="form.protocolId"
        compares="Every card fitted to this client, day and length."
        wants="Choose client and practitioner first."
        @take="form.protocolId = $event"
      />
      <p v-if="trouble" role="alert" class="col-span-2 text-mind font-medium">{{ trouble }}</p>
      <div class="col-span-2 flex gap-3 justify-end mt-2">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Book</button>
      </div>
    </form>
  </PlainDialog>
</template>
