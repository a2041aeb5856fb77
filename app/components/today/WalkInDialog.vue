<script setup lang="ts">
import { call, refusalOf } from '~/support/api'
import { byName } from '~/support/options'
import { missingChoice, type DayChoices } from '~/support/today/booking'

const props = defineProps<{
  open: boolean
  today: string
  choices: DayChoices
  practitionerId: string | null
}>()
/** Lists that grow with the salon are searched. */
const GROWING: ReadonlySet<string> = new Set(['clientId', 'protocolId'])
const emit = defineEmits<{ close: []; booked: [id: string] }>()

const empty = () => ({
  name: '',
  bornOn: '',
  protocolId: '',
  roomId: props.choices.rooms[0]?.id ?? '',
  practitionerId: props.practitionerId ?? '',
  slotMinutes: 60,
})
const form = ref(empty())
const trouble = ref('')
const busy = ref(false)
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
      { key: 'protocolId', label: 'Protocol', items: props.choices.protocols },
      { key: 'roomId', label: 'Room', items: props.choices.rooms },
      { key: 'practitionerId', label: 'Practitioner', items: props.choices.practitioners },
    ] as const,
)

/** Whose cards are compared; undefined while too little is chosen. */
const seat = computed(() => {
  const { bornOn, practitionerId, slotMinutes } = form.value
  return bornOn && practitionerId ? { bornOn, practitionerId, slotMinutes } : undefined
})
async function begin() {
  const missing = missingChoice(lists.value, form.value)
  if (missing) return void (trouble.value = missing)
  busy.value = true
  try {
    const { id } = await call('/api/visits/walk-in', {
      method: 'post',
      body: form.value,
    })
    emit('booked', id)
  } catch (error) {
    trouble.value =
      refusalOf(error).status === 0
        ? 'No connection: a new client needs one. What you typed is still here.'
        : refusalOf(error).detail
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <PlainDialog :open="open" title="Walk-in, from now" @close="emit('close')">
    <form class="grid grid-cols-2 gap-4" @submit.prevent="begin">
      <label class="flex flex-col gap-1 col-span-2">
        Name
        <input
          v-model="form.name"
          class="field"
          required
          minlength="2"
          maxlength="120"
          autocomplete="off"
        />
      </label>
      <label class="flex flex-col gap-1">
        Born on
        <input
          v-model="form.bornOn"
          class="field"
          type="date"
          min="1900-01-01"
          :max="today"
          required
        />
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
      <PickCard
        class="col-span-2"
        :seat="seat"
        :current-id="form.protocolId"
        compares="Every card in this length, as if every answer were no: the questions come next."
        wants="Give the birthday and choose a practitioner first."
        @take="form.protocolId = $event"
      />
      <p v-if="trouble" role="alert" class="col-span-2 text-mind font-medium">{{ trouble }}</p>
      <div class="col-span-2 flex gap-3 justify-end mt-2">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong" :disabled="busy"> Ask first </button>
      </div>
    </form>
  </PlainDialog>
</template>
