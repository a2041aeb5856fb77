<script setup lang="ts">
import { PASS_PATTERNS, type Step } from '#core/protocol'
import { withPassLevel, withPassTimes, withPassZones, withPattern } from '~/ladder/step-fields'
import { asOptions, orNone } from '~/support/options'
import { textOf } from '~/support/typed'

defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
</script>

<template>
  <FoldAway :open="step.passes !== undefined">
    <template #summary><FoldTitle name="Way of the device" /></template>
    <FieldChoice
      label="Pattern"
      :value="step.passes?.pattern ?? ''"
      :options="orNone(asOptions(PASS_PATTERNS))"
      @change="emit('change', withPattern(step, $event))"
    />
    <template v-if="step.passes">
      <label class="flex items-center gap-2 mt-2 text-sm">
        passes
        <input
          type="number"
          class="field !min-h-[36px] w-16 !px-2"
          min="1"
          max="9"
          v-shown="step.passes.times"
          @change="emit('change', withPassTimes(step, Number(textOf($event))))"
        />
        start level
        <input
          class="field !min-h-[36px] flex-1 !px-2"
          maxlength="60"
          v-shown="step.passes.level ?? ''"
          @change="emit('change', withPassLevel(step, textOf($event).trim()))"
        />
      </label>
      <ZonePicker
        :zones="step.passes.zones"
        name="In this order"
        class="mt-2"
        @change="emit('change', withPassZones(step, $event))"
      />
    </template>
  </FoldAway>
</template>
