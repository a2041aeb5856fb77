<script setup lang="ts">
import { TEMPERATURE_WORDS, TEMPERATURES, TOOLS, type Segment, type Step } from '#core/protocol'
import { withPart, withUsualCount } from '~/ladder/part-fields'
import { asOptions, orNone } from '~/support/options'

/** How something comes off: with what, how warm, and how often. */
const props = defineProps<{ step: Step; part: Segment }>()
const emit = defineEmits<{ change: [step: Step] }>()
const WARMTHS = TEMPERATURES.map((value) => ({ value, words: TEMPERATURE_WORDS[value] }))
const put = (more: Partial<Segment>) => emit('change', withPart(props.step, props.part.id, more))
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
    <FieldChoice
      beside
      small
      :name="`How ${step.title} comes off`"
      :value="part.tool ?? 'none'"
      :options="asOptions(TOOLS)"
      @change="put({ tool: $event })"
    />
    <FieldChoice
      beside
      small
      :name="`How warm ${step.title} comes off`"
      :value="part.temperature ?? ''"
      :options="orNone(WARMTHS, '–')"
      @change="put({ temperature: $event || undefined })"
    />
    <FieldNumber
      v-if="part.end?.by === 'repeat'"
      label="usually"
      unit="×"
      beside
      :name="`How often ${step.title} is taken off`"
      :value="part.end.usualCount ?? 1"
      :min="1"
      :max="6"
      @change="emit('change', withUsualCount(step, part, $event))"
    />
  </div>
</template>
