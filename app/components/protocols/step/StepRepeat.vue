<script setup lang="ts">
import type { Step } from '#core/protocol'
import { withRepeat, withRepeatSign, withUsualRepeats } from '~/ladder/step-fields'
import { textOf } from '~/support/typed'

const props = defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
function putSign(event: Event) {
  const sign = textOf(event).trim()
  if (sign) emit('change', withRepeatSign(props.step, sign))
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2 mt-2 text-sm">
    <FieldTick
      class="!min-h-0"
      :checked="step.repeat !== undefined"
      @change="emit('change', withRepeat(step, $event))"
    >
      again
    </FieldTick>
    <template v-if="step.repeat"
      >usually
      <input
        type="number"
        class="field !min-h-[34px] w-14 !px-1.5"
        min="1"
        max="6"
        v-shown="step.repeat.usual"
        aria-label="Usual repeats"
        @change="emit('change', withUsualRepeats(step, Number(textOf($event))))"
      />
      × until
      <input
        class="field !min-h-[34px] flex-1 !px-2"
        maxlength="120"
        v-shown="step.repeat.sign"
        aria-label="Sign that ends the repeats"
        @change="putSign"
      />
    </template>
  </div>
</template>
