<script setup lang="ts">
import { X } from 'lucide-vue-next'
import type { SetUpForm } from '~/support/set-up/form'

const form = defineModel<SetUpForm>('form', { required: true })
const props = defineProps<{ devices: readonly { readonly id: string; readonly name: string }[] }>()
const MOST_MINUTES = 60
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
        What your maker says of energies and limits is filled in on the Shelf; until then the book’s
        own limits count.
      </p>
      <div class="flex flex-wrap gap-2">
        <PickMany
          :chosen="form.deviceIds"
          :options="ids"
          :words="nameOf"
          @change="form.deviceIds = $event"
        />
      </div>
    </fieldset>
  </div>
</template>
