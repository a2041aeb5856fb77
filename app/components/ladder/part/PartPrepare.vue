<script setup lang="ts">
import type { Segment, Step } from '#core/protocol'
import { withPotLife, withWorking } from '~/ladder/part-fields'

/** What is mixed: how long it stands, and after how long it sets. */
const props = defineProps<{ step: Step; part: Segment }>()
const emit = defineEmits<{ change: [step: Step] }>()
const POT_LIFE_S = 300
const stands = computed(() => (props.part.potLifeS ?? POT_LIFE_S) / 60)
const sets = computed(() => (props.part.workingS === undefined ? '' : props.part.workingS / 60))
</script>

<template>
  <div class="flex flex-wrap items-center gap-2 mt-1.5 text-sm">
    <FieldNumber
      label="stands"
      unit="min"
      beside
      :value="stands"
      :min="0"
      :max="240"
      :step="0.5"
      @change="emit('change', withPotLife(step, part, $event))"
    />
    <FieldNumber
      label="sets after"
      unit="min"
      beside
      :value="sets"
      :min="0"
      :max="240"
      :step="0.5"
      @change="emit('change', withWorking(step, part, $event))"
    />
  </div>
</template>
