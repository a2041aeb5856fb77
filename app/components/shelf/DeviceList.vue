<script setup lang="ts">
import type { Device, Supply } from '#core/catalog'
import { propertyWords } from '#core/protocol'
import { call } from '~/support/api'
import { compact } from '~/support/compact'
import { newDevice, type DeviceChange } from '~/support/shelf/device-fields'
import { idFrom } from '~/support/shelf/shelf'

const props = defineProps<{
  devices: readonly Device[]
  supplies: readonly Supply[]
  disabled: boolean
}>()
const { things, trouble, state, put: putThing } = useThings<Device>(() => props.devices)
const send = (device: Device) =>
  putThing(device, () =>
    call('/api/shelf/devices/:id', { method: 'put', params: { id: device.id }, body: device }),
  )
const chosen = ref(props.devices[0]?.id ?? '')
const draft = ref<Device>()
const device = computed(() => draft.value ?? things.value.find(({ id }) => id === chosen.value))
const freeIdFor = (name: string) => idFrom(name, new Set(things.value.map(({ id }) => id)))
const isShown = (id: string) => !draft.value && id === chosen.value
const SHOWN_PROPERTIES = 3
const doesInShort = ({ properties }: Device) =>
  properties
    .filter((property) => property !== 'device')
    .slice(0, SHOWN_PROPERTIES)
    .map(propertyWords)
    .join(' · ')
function begin() {
  draft.value = newDevice(freeIdFor('new device'))
}
/** A new device is kept as soon as it has a name. */
function put(more: DeviceChange) {
  const next = compact<Device>({ ...device.value!, ...more })
  if (draft.value) draft.value = next
  if (next.name.trim() === '') return
  const id = draft.value ? freeIdFor(next.name) : next.id
  draft.value = undefined
  chosen.value = id
  void send({ ...next, id })
}
function choose(id: string) {
  draft.value = undefined
  chosen.value = id
}
function complain(says: string) {
  trouble.value = says
}
</script>

<template>
  <div
    class="grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[20rem_minmax(0,1fr)] gap-9 flex-1 min-h-0"
  >
    <div class="overflow-y-auto pr-1">
      <ul class="border-t border-line" aria-label="Devices">
        <li v-for="listed in things" :key="listed.id" class="border-b border-hair">
          <button
            type="button"
            class="w-full text-left px-2 py-2.5 min-h-[48px]"
            :class="
              isShown(listed.id)
                ? 'bg-now-ground border-l-4 border-now font-semibold'
                : 'hover:bg-sunk'
            "
            @click="choose(listed.id)"
          >
            {{ listed.name }}
            <span class="block text-sm text-soft font-normal">{{ doesInShort(listed) }}</span>
          </button>
        </li>
      </ul>
      <button v-if="!disabled" type="button" class="rung mt-3" @click="begin">New device</button>
    </div>
    <div v-if="device" class="overflow-y-auto pr-2 flex flex-col gap-4">
      <p v-if="trouble" role="alert" class="px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
        trouble
      }}</p>
      <fieldset :disabled="disabled" class="flex flex-col gap-4">
        <DeviceFields
          :device="device"
          :supplies="supplies"
          :state="state"
          @change="put"
          @bad="complain"
        />
      </fieldset>
    </div>
  </div>
</template>
