<script setup lang="ts">
import { productsFor, type Shelf } from '#core/catalog'
import { CONCERNS, type Concern } from '#core/client'
import type { Step } from '#core/protocol'
import {
  withChoice,
  withMoreOptions,
  withOption,
  withoutOption,
  withSeveral,
} from '~/ladder/step-fields'
import { asOptions } from '~/support/options'

const MOST_PICKS = 8
const props = defineProps<{ step: Step; shelf: Shelf }>()
const emit = defineEmits<{ change: [step: Step] }>()
const products = computed(() => productsFor(props.step, props.shelf.products))
const picks = computed(() => products.value.map((product) => product.pick))
const productOptions = computed(() =>
  products.value.map(({ pick, name }) => ({ value: pick.productId, words: name })),
)
function choosePick(at: number, productId: string) {
  const pick = picks.value.find((candidate) => candidate.productId === productId)
  if (pick) emit('change', withOption(props.step, at, { pick }))
}
const chooseConcern = (at: number, concern: Concern) =>
  emit('change', withOption(props.step, at, { concern }))
</script>

<template>
  <FoldAway :open="step.choice !== undefined">
    <template #summary>
      <FoldTitle
        name="Choice by what is wanted"
        :holds="step.choice ? `${step.choice.options.length} picks` : 'one product'"
      />
    </template>
    <FieldTick
      :checked="step.choice !== undefined"
      :disabled="products.length < 2"
      @change="emit('change', withChoice(step, $event, picks))"
    >
      the client’s goals decide
    </FieldTick>
    <p v-if="products.length < 2" class="text-sm text-soft">
      There is one product that reaches these zones: nothing to choose from.
    </p>
    <template v-if="step.choice">
      <FieldTick :checked="step.choice.several" @change="emit('change', withSeveral(step, $event))">
        several at once, each on its own zones
      </FieldTick>
      <div
        v-for="(option, at) in step.choice.options"
        :key="at"
        class="border-t border-hair py-1.5"
      >
        <div class="flex gap-1.5">
          <FieldChoice
            beside
            small
            :name="`Concern of pick ${at + 1}`"
            :value="option.concern"
            :options="asOptions(CONCERNS)"
            @change="chooseConcern(at, $event)"
          />
          <FieldChoice
            beside
            small
            class="choice-fills flex-1 min-w-0"
            grows
            :name="`Product of pick ${at + 1}`"
            :value="option.pick.productId"
            :options="productOptions"
            @change="choosePick(at, $event)"
          />
          <button
            type="button"
            class="pick !min-h-[36px] !px-2"
            :aria-label="`Take pick ${at + 1} out`"
            @click="emit('change', withoutOption(step, at))"
          >
            ✕
          </button>
        </div>
        <ZonePicker
          v-if="step.choice.several"
          :zones="option.zones ?? step.zones"
          name="On"
          class="mt-1"
          @change="emit('change', withOption(step, at, { zones: $event }))"
        />
      </div>
      <button
        v-if="step.choice.options.length < MOST_PICKS"
        type="button"
        class="pick !min-h-[36px] text-sm"
        @click="emit('change', withMoreOptions(step, picks[0]!))"
      >
        Another pick
      </button>
    </template>
  </FoldAway>
</template>
