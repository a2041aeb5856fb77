<script setup lang="ts">
import { DECISION_WORDS, LESION_WORDS, OUTCOME_WORDS, zoneName, type Lesion } from '#core/skin'
import { MAP_HEIGHT, MAP_WIDTH } from '~/skin-map/shapes'

/** One pinned lesion on the map: a ring to work on, a cross to leave, a triangle to refer. */
const props = defineProps<{ lesion: Lesion; isSelected: boolean }>()
const emit = defineEmits<{ select: [] }>()
const place = computed(
  () => `translate(${props.lesion.x * MAP_WIDTH} ${props.lesion.y * MAP_HEIGHT})`,
)
const words = computed(() => {
  const { type, zone, decision, outcome } = props.lesion
  const decided = DECISION_WORDS[decision].toLowerCase()
  const done = outcome ? [OUTCOME_WORDS[outcome].toLowerCase()] : []
  return [LESION_WORDS[type], zoneName(zone), decided, ...done].join(', ')
})
</script>

<template>
  <g
    :transform="place"
    role="button"
    tabindex="0"
    :aria-label="words"
    class="cursor-pointer"
    @pointerdown.stop="emit('select')"
    @keydown.enter.prevent="emit('select')"
  >
    <circle r="14" fill="transparent" />
    <circle v-if="isSelected" r="12" fill="none" stroke="var(--now)" stroke-width="2.5" />
    <LesionMark :lesion="lesion" />
  </g>
</template>
