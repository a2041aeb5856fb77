<script setup lang="ts">
import type { Step } from '#core/protocol'
import {
  MOST_VARIANTS,
  withoutVariant,
  withShorterWay,
  withVariant,
  withVariantWorth,
} from '~/ladder/step-fields'
import { textOf } from '~/support/typed'

const props = defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
const variants = computed(() => props.step.variants ?? [])
function rename(at: number, event: Event) {
  const title = textOf(event).trim()
  if (title) emit('change', withVariant(props.step, at, { title }))
}
</script>

<template>
  <FoldAway :open="variants.length > 0">
    <template #summary>
      <FoldTitle name="Shorter ways" :holds="`${variants.length} of ${MOST_VARIANTS}`" />
    </template>
    <div
      v-for="(variant, at) in variants"
      :key="variant.id"
      class="border-t border-hair py-1.5 flex flex-col gap-1.5"
    >
      <div class="flex gap-1.5">
        <input
          class="field !min-h-[36px] flex-1 !px-2"
          v-shown="variant.title"
          :aria-label="`Name of shorter way ${at + 1}`"
          maxlength="120"
          @change="rename(at, $event)"
        />
        <label class="flex items-center gap-1 text-sm">
          keeps
          <input
            type="number"
            class="field !min-h-[36px] w-16 !px-1.5"
            min="10"
            max="100"
            step="5"
            v-shown="Math.round(variant.worth * 100)"
            @change="emit('change', withVariantWorth(step, at, Number(textOf($event))))"
          />
          %
        </label>
        <button
          type="button"
          class="pick !min-h-[36px] !px-2"
          :aria-label="`Take shorter way ${at + 1} out`"
          @click="emit('change', withoutVariant(step, at))"
        >
          ✕
        </button>
      </div>
      <PartRows
        :step="{ ...step, title: variant.title, segments: variant.segments }"
        @change="emit('change', withVariant(step, at, { segments: $event.segments }))"
      />
    </div>
    <button
      v-if="variants.length < MOST_VARIANTS"
      type="button"
      class="pick !min-h-[36px] text-sm"
      @click="emit('change', withShorterWay(step))"
    >
      Write a shorter way
    </button>
  </FoldAway>
</template>
