<script setup lang="ts">
import type { Device } from '#core/catalog'
import {
  LEVEL_WORDS,
  levelsChanged,
  startShare,
  type DeviceChange,
} from '~/support/shelf/device-fields'
import { textOf } from '~/support/typed'

/** The levels of a device, and where on them it starts, drawn. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [more: DeviceChange]; bad: [says: string] }>()
const MOST = 100_000
const LINE_PX = 588
const drawnWords = computed(() => {
  const { from, to, start, unit } = props.device.levels!
  return `From ${from} to ${to}, starting at ${start} ${unit}`
})
</script>

<template>
  <div class="grid grid-cols-4 gap-3">
    <FieldFigure
      v-for="(words, key) in LEVEL_WORDS"
      :key="key"
      :label="words"
      :value="device.levels?.[key]"
      :most="MOST"
      @change="emit('change', levelsChanged(device, { [key]: $event }))"
      @bad="emit('bad', $event)"
    />
    <label class="flex flex-col gap-1 text-sm text-soft">
      Counted in
      <input
        class="field !text-ink"
        v-shown="device.levels?.unit ?? ''"
        placeholder="level, %, W"
        maxlength="20"
        @change="emit('change', levelsChanged(device, { unit: textOf($event) }))"
      />
    </label>
  </div>
  <svg
    v-if="device.levels"
    viewBox="0 0 600 34"
    class="w-full max-w-[40rem]"
    role="img"
    :aria-label="drawnWords"
  >
    <line x1="6" x2="594" y1="14" y2="14" stroke="var(--line)" stroke-width="2" />
    <rect
      x="6"
      y="10"
      :width="LINE_PX * startShare(device.levels)"
      height="8"
      fill="var(--hands)"
    />
    <text x="6" y="32" font-size="12" fill="var(--ink-soft)">{{ device.levels.from }}</text>
    <text x="594" y="32" font-size="12" text-anchor="end" fill="var(--ink-soft)">
      {{ device.levels.to }} {{ device.levels.unit }}
    </text>
  </svg>
</template>
