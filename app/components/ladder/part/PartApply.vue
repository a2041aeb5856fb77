<script setup lang="ts">
import type { Segment, Step } from '#core/protocol'
import { withPart, withPartZones } from '~/ladder/part-fields'
import { orNone, upTo } from '~/support/options'

/** What goes on: which coat, under which pole, on which zones. */
const props = defineProps<{ step: Step; part: Segment }>()
const emit = defineEmits<{ change: [step: Step] }>()
const MOST_COATS = 5
const coats = orNone(
  upTo(MOST_COATS, (coat) => `coat ${coat}`),
  'no coat',
)
const poles = orNone(
  [
    { value: 'negative', words: 'negative pole' },
    { value: 'positive', words: 'positive pole' },
  ],
  'no pole',
)
const put = (more: Partial<Segment>) => emit('change', withPart(props.step, props.part.id, more))
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
    <FieldChoice
      beside
      small
      :name="`Coat of ${step.title}`"
      :value="part.coat ? String(part.coat) : ''"
      :options="coats"
      @change="put({ coat: Number($event) || undefined })"
    />
    <FieldChoice
      beside
      small
      :name="`Pole of ${step.title}`"
      :value="part.polarity ?? ''"
      :options="poles"
      @change="put({ polarity: $event || undefined })"
    />
    <FoldAway class="w-full">
      <template #summary>
        <span class="text-soft">{{ part.zones ? 'only some zones' : 'on all its zones' }}</span>
      </template>
      <ZonePicker
        :zones="part.zones ?? step.zones"
        name="This part on"
        @change="emit('change', withPartZones(step, part, $event))"
      />
    </FoldAway>
  </div>
</template>
