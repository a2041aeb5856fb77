<script setup lang="ts">
import type { Device } from '#core/catalog'
import { READ_ZONES, zoneName } from '#core/skin'
import { zoneAdded, zoneRemoved, type DeviceChange } from '~/support/shelf/device-fields'

/** The zones of a device in the order it is moved over them. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [more: DeviceChange] }>()
const zones = READ_ZONES.map((zone) => ({ value: zone, words: zoneName(zone) }))
const inOrder = computed(() => props.device.zoneOrder?.map(zoneName).join(' → ') || 'none given')
</script>

<template>
  <FoldAway>
    <template #summary><FoldTitle name="Zone order" :holds="inOrder" /></template>
    <div class="flex flex-wrap items-center gap-2">
      <span
        v-for="(zone, at) in device.zoneOrder ?? []"
        :key="at"
        class="border border-line px-3 min-h-[40px] inline-flex items-center gap-2"
      >
        {{ at + 1 }} {{ zoneName(zone) }}
        <button
          type="button"
          class="min-w-[32px] min-h-[32px]"
          :aria-label="`Take ${zoneName(zone)} out`"
          @click="emit('change', zoneRemoved(device, at))"
        >
          ×
        </button>
      </span>
      <FieldChoice
        beside
        name="Next zone"
        unset="then …"
        value=""
        :options="zones"
        @change="$event && emit('change', zoneAdded(device, $event))"
      />
    </div>
  </FoldAway>
</template>
