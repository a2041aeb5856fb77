<script setup lang="ts">
import { X } from 'lucide-vue-next'
import type { SetUpForm } from '~/support/set-up/form'

const form = defineModel<SetUpForm>('form', { required: true })
interface Kind {
  readonly id: string
  readonly name: string
  readonly energies: readonly string[]
  /** As the trade has it, where it has. */
  readonly mostMinutes: number | null
}
const props = defineProps<{ devices: readonly Kind[] }>()
const chosen = computed(() => props.devices.filter(({ id }) => form.value.deviceIds.includes(id)))
function setMost(id: string, minutes: number | undefined) {
  const { [id]: _, ...others } = form.value.mostMinutes
  form.value.mostMinutes = minutes === undefined ? others : { ...others, [id]: minutes }
}
const MOST_MINUTES = 60
const MOST_ON_ZONE = 240
const trouble = ref('')
const nameOf = (id: string) => props.devices.find((device) => device.id === id)?.name ?? id
const ids = computed(() => props.devices.map(({ id }) => id))
function add() {
  form.value.rooms.push(`Room ${form.value.rooms.length + 1}`)
}
const drop = (at: number) => form.value.rooms.splice(at, 1)
</script>

<template>
  <div class="flex flex-col gap-5">
    <div class="flex gap-2 flex-wrap items-end">
      <label
        v-for="(_, at) in form.rooms"
        :key="at"
        class="flex flex-col gap-1 text-sm text-soft w-52"
      >
        {{ form.rooms.length === 1 ? 'Your room' : `Room ${at + 1}` }}
        <span class="flex">
          <input v-model="form.rooms[at]" class="field !text-ink flex-1 min-w-0" maxlength="60" />
          <button
            v-if="form.rooms.length > 1"
            type="button"
            class="pick grid place-items-center !px-0 -ml-px"
            :aria-label="`Without ${form.rooms[at]}`"
            @click="drop(at)"
          >
            <X :size="18" />
          </button>
        </span>
      </label>
      <button type="button" class="rung" @click="add">Another room</button>
    </div>
    <label class="flex items-center gap-3">
      Between two visits a room needs
      <input
        v-model.number="form.turnoverMinutes"
        class="field w-20"
        type="number"
        min="0"
        :max="MOST_MINUTES"
        step="5"
        aria-label="Minutes of turnover"
      />
      minutes
    </label>
    <fieldset>
      <legend class="mb-1">Devices that are there</legend>
      <p class="text-sm text-soft mb-2">
        Minutes are what is usual (common practice): put in what your maker says. All else of a
        device is filled in on the Shelf.
      </p>
      <div class="flex flex-wrap gap-2">
        <PickMany
          :chosen="form.deviceIds"
          :options="ids"
          :words="nameOf"
          @change="form.deviceIds = $event"
        />
      </div>
      <ul
        v-if="chosen.length > 0"
        class="mt-3 max-w-3xl"
        aria-label="What they do, and their limits"
      >
        <li
          v-for="device in chosen"
          :key="device.id"
          class="flex items-center gap-4 border-b border-hair py-1.5"
        >
          <span class="flex-1 min-w-0">
            <span class="font-semibold">{{ device.name }}</span>
            <span class="block text-sm text-soft truncate">{{ device.energies.join(', ') }}</span>
          </span>
          <FieldFigure
            beside
            small
            label="at most"
            unit="min on one zone"
            :name="`Minutes of ${device.name} on one zone`"
            :words="device.name"
            :value="form.mostMinutes[device.id] ?? device.mostMinutes ?? undefined"
            :least="0.5"
            :most="MOST_ON_ZONE"
            @change="setMost(device.id, $event)"
            @clear="setMost(device.id, undefined)"
            @bad="trouble = $event"
          />
        </li>
      </ul>
      <p v-if="trouble" role="alert" class="text-mind mt-1">{{ trouble }}</p>
    </fieldset>
  </div>
</template>
