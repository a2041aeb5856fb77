<script setup lang="ts">
import { celsiusOf, nearestFahrenheit } from '#core/quantity'

/** A temperature, typed as this salon reads it and told in °C. */
const props = defineProps<{
  label: string
  words: string
  value: number | undefined
  least: number
  most: number
}>()
const emit = defineEmits<{ change: [celsius: number]; bad: [says: string] }>()
const { isUs } = useMeasures()
/** A kept temperature as it is typed here: to the degree, so that typing it again changes nothing. */
const shown = (celsius: number) => (isUs.value ? nearestFahrenheit(celsius) : celsius)
const value = computed(() => (props.value === undefined ? undefined : shown(props.value)))
</script>

<template>
  <FieldFigure
    :label="`${label}${isUs ? '°F' : '°C'}`"
    :words="words"
    :value="value"
    :least="shown(least)"
    :most="shown(most)"
    @change="emit('change', isUs ? celsiusOf($event) : $event)"
    @bad="emit('bad', $event)"
  />
</template>
