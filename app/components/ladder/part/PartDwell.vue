<script setup lang="ts">
import { ADMITS, PLACES, type Segment, type Step } from '#core/protocol'
import { withAdmitted, withPart } from '~/ladder/part-fields'

/** A processing time: whether it acts, where she is meanwhile, and what may be done in it. */
const props = defineProps<{ step: Step; part: Segment }>()
const emit = defineEmits<{ change: [step: Step] }>()
const PLACE_WORDS = { client: 'at the client', room: 'in the room', away: 'free to leave' } as const
const places = PLACES.map((place) => ({ value: place, words: PLACE_WORDS[place] }))
const put = (more: Partial<Segment>) => emit('change', withPart(props.step, props.part.id, more))
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
    <FieldTick
      class="mr-1"
      :checked="part.active ?? false"
      @change="put({ active: $event || undefined })"
    >
      acts, never stretches
    </FieldTick>
    <FieldChoice
      label="you are"
      beside
      small
      :name="`Where you are during ${step.title}`"
      :value="part.presence ?? 'away'"
      :options="places"
      @change="put({ presence: $event })"
    />
    <span class="w-full text-soft">
      Meanwhile:
      <button
        v-for="admitted in ADMITS"
        :key="admitted"
        type="button"
        class="pick !min-h-[32px] !min-w-0 !px-2 mr-1 mb-1 text-sm"
        :aria-pressed="part.admits?.includes(admitted) ?? false"
        @click="emit('change', withAdmitted(step, part, admitted))"
      >
        {{ admitted }}
      </button>
    </span>
  </div>
</template>
