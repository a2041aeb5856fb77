<script setup lang="ts">
import type { Device, Supply } from '#core/catalog'
import { PROPERTIES, propertyWords } from '#core/protocol'
import {
  listTyped,
  suppliesUsed,
  supplyChanged,
  type DeviceChange,
} from '~/support/shelf/device-fields'

/** Everything that is written of one device. */
const props = defineProps<{ device: Device; supplies: readonly Supply[]; state: string }>()
const emit = defineEmits<{ change: [more: DeviceChange]; bad: [says: string] }>()
const MOST_MINUTES = 240
const MOST_USED = 20
const put = (more: DeviceChange) => emit('change', more)
const bad = (says: string) => emit('bad', says)
const usedOnce = computed(() => props.supplies.filter(({ kind }) => kind === 'single use'))
const does = computed(() => {
  const marked = props.device.properties.filter((property) => property !== 'device')
  return marked.map(propertyWords).join(', ') || 'nothing marked'
})
</script>

<template>
  <div class="flex items-end gap-3">
    <FieldText
      class="flex-1 [&>input]:text-lg"
      label="Name"
      :value="device.name"
      :maxlength="120"
      @change="put({ name: $event })"
    />
    <p class="text-sm text-soft min-w-20 pb-3" role="status">{{ state }}</p>
  </div>
  <DeviceLevels :device="device" @change="put" @bad="bad" />
  <div class="grid grid-cols-2 gap-3">
    <FieldText
      label="Setting, in words"
      :value="device.setting"
      :maxlength="160"
      @change="put({ setting: $event })"
    />
    <FieldText
      label="Energy, as its maker says"
      :value="device.energy ?? ''"
      :maxlength="160"
      @change="put({ energy: $event || undefined })"
    />
    <FieldFigure
      label="Most minutes on one zone"
      words="Most minutes"
      :value="device.maxMinutes"
      :most="MOST_MINUTES"
      @change="put({ maxMinutes: $event || undefined })"
      @clear="put({ maxMinutes: undefined })"
      @bad="bad"
    />
    <FieldText
      label="Set-up card, with commas"
      :value="device.setup.join(', ')"
      @change="put({ setup: listTyped($event) })"
    />
  </div>
  <DeviceZones :device="device" @change="put" />
  <FoldAway>
    <template #summary><FoldTitle name="What it does" :holds="does" /></template>
    <div class="flex flex-wrap gap-1.5 [&>.pick]:min-h-[36px] [&>.pick]:text-sm">
      <PickMany
        :chosen="device.properties"
        :options="PROPERTIES"
        :words="propertyWords"
        @change="put({ properties: $event })"
      />
    </div>
  </FoldAway>
  <div>
    <h2 class="text-lg mb-1">Used up at each visit</h2>
    <div class="flex flex-wrap gap-x-6 gap-y-2">
      <FieldFigure
        v-for="supply in usedOnce"
        :key="supply.id"
        beside
        small
        class="flex-row-reverse gap-2"
        :label="supply.name"
        :value="suppliesUsed(device, supply.id)"
        :most="MOST_USED"
        @change="put(supplyChanged(device, supply.id, $event))"
        @clear="put(supplyChanged(device, supply.id, 0))"
        @bad="bad"
      />
    </div>
  </div>
</template>
