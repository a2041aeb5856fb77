<script setup lang="ts">
import type { Movement } from '#core/protocol'
import { MAP_SHOWN, MAP_WIDTH, viewOf } from '~/skin-map/shapes'
import { strokesOn, viewFor } from '~/skin-map/strokes'

/** A movement as a line on a small face. */
const props = defineProps<{ movement: Movement }>()
const view = computed(() => viewFor([props.movement]))
const shapes = computed(() => viewOf(view.value))
const lines = computed(() => strokesOn(view.value, [props.movement]))
</script>

<template>
  <svg
    :viewBox="`0 ${MAP_SHOWN.top} ${MAP_WIDTH} ${MAP_SHOWN.height}`"
    class="h-24 w-auto shrink-0"
    aria-hidden="true"
  >
    <path :d="shapes.outline" fill="var(--raised)" stroke="var(--line)" stroke-width="4" />
    <FaceLines :lines="shapes.features" :width="3" />
    <path
      v-for="line in lines"
      :key="`${line.id}-${line.second}`"
      :d="line.d"
      fill="none"
      stroke="var(--hands)"
      stroke-width="9"
      stroke-linecap="round"
    />
  </svg>
</template>
