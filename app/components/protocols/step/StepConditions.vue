<script setup lang="ts">
import { CONCERNS } from '#core/client'
import type { Step } from '#core/protocol'
import { setField } from '~/ladder/edit'
import { withShare, withWhen, withWithin, withWithinMinutes } from '~/ladder/step-fields'
import { asOptions, orNone } from '~/support/options'

const WHEN = {
  time: orNone(asOptions(['day', 'evening']), 'any time'),
  visit: orNone(asOptions(['first', 'later']), 'any visit'),
  goal: orNone(asOptions(CONCERNS), 'any goal'),
} as const
const props = defineProps<{ step: Step; steps: readonly Step[] }>()
const emit = defineEmits<{ change: [step: Step] }>()
const set = <K extends keyof Step>(key: K, value: Step[K] | undefined) =>
  emit('change', setField(props.step, key, value))
const others = computed(() =>
  props.steps
    .filter((step) => step.id !== props.step.id)
    .map(({ id, title }) => ({ value: id, words: title })),
)
const isConditional = computed(() => {
  const { when, group, closes, within } = props.step
  return [when, group, closes, within].some((condition) => condition !== undefined)
})
const sharePercent = computed(() =>
  props.step.share === undefined ? '' : Math.round(props.step.share * 100),
)
</script>

<template>
  <FoldAway :open="isConditional">
    <template #summary>
      <FoldTitle
        name="Conditions"
        :holds="step.when || step.onlyIf ? 'only sometimes' : 'always'"
      />
    </template>
    <div class="grid grid-cols-3 gap-2">
      <FieldChoice
        v-for="(options, key) in WHEN"
        :key="key"
        small
        :label="key"
        :value="step.when?.[key] ?? ''"
        :options="options"
        @change="emit('change', withWhen(step, key, $event))"
      />
    </div>
    <div class="grid grid-cols-2 gap-2 mt-2">
      <FieldChoice
        label="comes and goes with"
        small
        :value="step.closes ?? ''"
        :options="orNone(others, 'nothing')"
        @change="set('closes', $event || undefined)"
      />
      <FieldText
        label="group"
        small
        :value="step.group ?? ''"
        :maxlength="60"
        @change="set('group', $event || undefined)"
      />
      <FieldChoice
        label="begins soon after"
        small
        :value="step.within?.stepId ?? ''"
        :options="orNone(others, '–')"
        @change="emit('change', withWithin(step, $event))"
      />
      <FieldNumber
        v-if="step.within"
        label="within minutes"
        :value="step.within.seconds / 60"
        :min="0"
        :max="60"
        :step="0.5"
        @change="emit('change', withWithinMinutes(step, $event))"
      />
      <FieldText
        label="at the same time as others called"
        small
        :value="step.beside ?? ''"
        :maxlength="60"
        @change="set('beside', $event || undefined)"
      />
      <FieldNumber
        label="part of its dose, %"
        :value="sharePercent"
        :min="5"
        :max="100"
        :step="5"
        @change="emit('change', withShare(step, $event))"
      />
    </div>
    <StepRepeat :step="step" @change="emit('change', $event)" />
  </FoldAway>
</template>
