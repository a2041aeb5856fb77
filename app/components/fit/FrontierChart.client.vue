<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import VueApexCharts from 'vue3-apexcharts'
import { frontierOptions } from '~/support/fit/frontier'

const props = defineProps<{
  points: readonly { minutes: number; percent: number | undefined; dropped: number }[]
  slotMinutes: number
}>()
const emit = defineEmits<{ choose: [minutes: number] }>()
const { current } = useLight()
const colour = (name: string) =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const shown = computed(() => props.points.filter((point) => point.percent !== undefined))
const series = computed(() => [
  { name: 'kept', data: shown.value.map((point) => ({ x: point.minutes, y: point.percent! })) },
])
const options = computed<ApexOptions>(() => {
  // Read with the light, so that the drawing follows it.
  const light = current.value
  const options = frontierOptions(light ? colour : () => '', props.slotMinutes)
  const chart = { ...options.chart, events: { markerClick: chosen } }
  return {
    ...options,
    chart,
    tooltip: { ...options.tooltip, theme: light === 'day' ? 'light' : 'dark' },
  }
})
function chosen(_event: unknown, _chart: unknown, marker?: { dataPointIndex: number }) {
  const point = shown.value[marker?.dataPointIndex ?? -1]
  if (point) emit('choose', point.minutes)
}
</script>

<template>
  <VueApexCharts type="line" height="172" :options="options" :series="series" aria-hidden="true" />
</template>
