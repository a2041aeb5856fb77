<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import VueApexCharts from 'vue3-apexcharts'

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
  const paint = (name: string) => (current.value ? colour(name) : '')
  const [ink, soft, line, hands, now, raised] = [
    paint('--ink'),
    paint('--ink-soft'),
    paint('--line-soft'),
    paint('--hands'),
    paint('--now'),
    paint('--raised'),
  ]
  return {
    chart: {
      type: 'line',
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'inherit',
      foreColor: soft,
      events: {
        markerClick: (_event, _chart, at) => {
          const point = shown.value[at?.dataPointIndex ?? -1]
          if (point) emit('choose', point.minutes)
        },
      },
    },
    stroke: { curve: 'stepline', width: 2.5, colors: [hands] },
    colors: [hands],
    markers: { size: 5, colors: [raised], strokeColors: hands, strokeWidth: 2, hover: { size: 7 } },
    grid: { borderColor: line, padding: { left: 4, right: 10, top: -14, bottom: -8 } },
    legend: { show: false },
    dataLabels: { enabled: false },
    xaxis: {
      type: 'numeric',
      min: 30,
      max: 180,
      tickAmount: 5,
      decimalsInFloat: 0,
      title: { text: 'minutes', offsetY: -4, style: { color: soft, fontWeight: 400 } },
      axisBorder: { color: line },
      axisTicks: { color: line },
    },
    yaxis: {
      min: 0,
      max: 100,
      tickAmount: 4,
      labels: { formatter: (value: number) => `${Math.round(value)} %` },
    },
    annotations: {
      xaxis: [
        {
          x: props.slotMinutes,
          borderColor: now,
          strokeDashArray: 0,
          label: {
            text: `${props.slotMinutes} min`,
            orientation: 'horizontal',
            style: { color: ink, background: raised, fontSize: '12px' },
          },
        },
      ],
    },
    tooltip: {
      theme: current.value === 'day' ? 'light' : 'dark',
      x: { formatter: (value: number) => `${value} min` },
      y: { formatter: (value: number) => `${Math.round(value)} % of what is wanted` },
    },
  }
})
</script>

<template>
  <VueApexCharts type="line" height="172" :options="options" :series="series" aria-hidden="true" />
</template>
