<script setup lang="ts">
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import { courseInWords } from '#core/climb'
import { movementsSeconds, PATH_WORDS, type Course, type Step } from '#core/protocol'
import { partWords } from '~/ladder/part-fields'
import { durationInWords } from '#core/quantity'
import { zoneName, zonesInWords, type ZoneId } from '#core/skin'
import { halfMinutes } from '~/support/time'

// One page for the wall: seen only on paper.
const props = defineProps<{
  name: string
  version: number | undefined
  changed: boolean
  steps: readonly Step[]
  sketch: Sketch | undefined
  shelf: Shelf
  course: Course | null
}>()
const startOf = (id: string) =>
  Math.min(
    ...(props.sketch?.segments ?? [])
      .filter((part) => part.stepId === id && part.kind !== 'prepare')
      .map((part) => part.startS),
  )
const rows = computed(() => [...props.steps].sort((a, b) => startOf(a.id) - startOf(b.id)))
const zonesInOrder = (zones: readonly ZoneId[]) => zones.map(zoneName).join(' → ')
/** Parts that are done otherwise than usual, each by what it is called. */
const partsSaid = ({ segments }: Step): string[] =>
  segments.flatMap((part) => (part.technique ? [`${partWords(part)}: ${part.technique}`] : []))
const productOf = (step: Step) =>
  props.shelf.products.find((other) => other.id === step.product?.productId)?.name ??
  props.shelf.devices.find((device) => device.id === step.deviceId)?.name ??
  ''
const minutesOf = (step: Step) => {
  const [on, dwell, off] = [['apply', 'prepare', 'hygiene'], ['dwell', 'settle'], ['remove']].map(
    (kinds) =>
      step.segments
        .filter((part) => kinds.includes(part.kind))
        .reduce((sum, part) => sum + part.usualS, 0),
  )
  return [on, dwell, off].map((seconds) => (seconds ? halfMinutes(seconds) : '–'))
}
</script>

<template>
  <section class="hidden print:block text-black" aria-hidden="true">
    <h1 class="text-3xl">{{ name }}</h1>
    <p class="text-sm mb-2">
      {{
        version
          ? `Version ${version}${changed ? ', with changes that are not published' : ''}`
          : 'Not published'
      }}
      ·
      {{
        sketch?.totalS === undefined
          ? ''
          : `${halfMinutes(sketch.totalS)} min, hands free ${halfMinutes(sketch.handsFreeS)} min`
      }}
      <template v-if="course">· {{ courseInWords(course) }}</template>
      · local rules and the maker’s instructions come first
    </p>
    <table class="w-full leading-snug" :class="rows.length > 26 ? 'text-[10.5px]' : 'text-[12px]'">
      <thead>
        <tr class="border-b border-black text-left">
          <th class="w-8">min</th>
          <th>Step</th>
          <th>With</th>
          <th>Where</th>
          <th class="w-8">on</th>
          <th class="w-9">work</th>
          <th class="w-8">off</th>
          <th>How</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="step in rows"
          :key="step.id"
          class="border-b border-neutral-400 align-top break-inside-avoid"
        >
          <td>
            {{ Number.isFinite(startOf(step.id)) ? Math.floor(startOf(step.id) / 60) : '' }}
          </td>
          <td class="font-semibold pr-2">{{ step.floating ? '↳ ' : '' }}{{ step.title }}</td>
          <td class="pr-2">
            {{ productOf(step) }}
          </td>
          <td class="pr-2">
            {{ zonesInWords(step.zones) }}
          </td>
          <td v-for="(time, at) in minutesOf(step)" :key="at">
            {{ time }}
          </td>
          <td>{{
            [
              step.follows && 'along the muscles, from origin to insertion',
              step.technique,
              ...partsSaid(step),
              step.movements?.length
                ? `${durationInWords(movementsSeconds(step.movements))}: ${step.movements.map((one) => `${one.repetitions}× ${PATH_WORDS[one.path]}${one.sides === 'each' ? ', then the other side' : ''}`).join('; ')}`
                : '',
              step.passes &&
                `${zonesInOrder(step.passes.zones)}: ${step.passes.pattern}${step.passes.level ? `, ${step.passes.level}` : ''}`,
              step.condition,
              step.say && `“${step.say}”`,
            ]
              .filter(Boolean)
              .join(' · ')
          }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
