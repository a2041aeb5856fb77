<script setup lang="ts">
import type { Shelf } from '#core/catalog'
import type { Step } from '#core/protocol'
import { setField, setMovements } from '~/ladder/edit'
import { withTray } from '~/ladder/step-fields'

const props = defineProps<{ step: Step; steps: readonly Step[]; shelf: Shelf }>()
const emit = defineEmits<{ change: [step: Step] }>()
const change = (step: Step) => emit('change', step)
const set = <K extends keyof Step>(key: K, value: Step[K] | undefined) =>
  change(setField(props.step, key, value))
const isBusyThroughout = computed(
  () =>
    props.step.floating === undefined && props.step.segments.every((part) => part.kind !== 'dwell'),
)
const movementsHeld = computed(() => {
  const count = props.step.movements?.length ?? 0
  return count > 0 ? `${count}, the minutes are their sum` : 'none'
})
</script>

<template>
  <div class="flex flex-col gap-3">
    <StepBasics :step="step" :shelf="shelf" @change="change" />
    <StepLayers :step="step" :shelf="shelf" @change="change" />
    <section>
      <h2 class="text-sm text-soft mb-1 !font-sans">Minutes</h2>
      <PartRows :step="step" @change="change" />
    </section>
    <FoldAway :open="(step.movements?.length ?? 0) > 0">
      <template #summary><FoldTitle name="Movements" :holds="movementsHeld" /></template>
      <MovementRows
        :movements="step.movements ?? []"
        @change="change(setMovements(step, $event))"
      />
    </FoldAway>
    <ZonePicker :zones="step.zones" name="Zones" @change="change({ ...step, zones: $event })" />
    <StepPlace :step="step" @change="change" />
    <StepChoice :step="step" :shelf="shelf" @change="change" />
    <StepConditions :step="step" :steps="steps" @change="change" />
    <StepVariants :step="step" @change="change" />
    <StepPasses :step="step" @change="change" />
    <FieldTick
      :checked="step.follows === 'muscles'"
      @change="set('follows', $event ? 'muscles' : undefined)"
    >
      put on along the muscles, from origin to insertion
    </FieldTick>
    <FieldText
      label="How it is done"
      :lines="2"
      :value="step.technique ?? ''"
      :maxlength="300"
      @change="set('technique', $event || undefined)"
    />
    <FieldText
      label="What you say"
      :value="step.say ?? ''"
      :maxlength="200"
      @change="set('say', $event || undefined)"
    />
    <FieldText
      label="On the tray, with commas"
      :value="(step.tray ?? []).join(', ')"
      @change="change(withTray(step, $event))"
    />
    <p v-if="isBusyThroughout" class="text-sm text-soft">Hands are busy throughout.</p>
  </div>
</template>
