<script setup lang="ts">
import type { Shelf } from '#core/catalog'
import type { Step } from '#core/protocol'
import { layersFor, layersOf, withLayer, withoutLayer } from '~/ladder/layer-fields'

/** What else goes on within the step, each with its own minutes: the oil, the acid and the mask of one lip enhancement. */
const props = defineProps<{ step: Step; shelf: Shelf }>()
const emit = defineEmits<{ change: [step: Step] }>()
const layers = computed(() => layersOf(props.step, props.shelf.products))
const more = computed(() => layersFor(props.step, props.shelf))
const options = computed(() =>
  more.value.map(({ pick, name }) => ({ value: pick.productId, words: name })),
)
function add(id: string) {
  const found = more.value.find(({ pick }) => pick.productId === id)
  if (found) emit('change', withLayer(props.step, found.pick, props.shelf))
}
</script>

<template>
  <div v-if="step.product">
    <ul v-if="layers.length > 0" aria-label="With it, in the same step">
      <li
        v-for="layer in layers"
        :key="layer.productId"
        class="flex items-center gap-2 border-b border-hair"
      >
        <span class="flex-1">with {{ layer.name }}</span>
        <button
          type="button"
          class="pick !min-h-[40px] text-sm"
          :aria-label="`Take ${layer.name} out of ${step.title}`"
          @click="emit('change', withoutLayer(step, layer.productId))"
        >
          Take out
        </button>
      </li>
    </ul>
    <FieldChoice
      label="With it, in the same step"
      grows
      :name="`One more product of ${step.title}`"
      unset="One more product"
      value=""
      :options="options"
      @change="add"
    />
  </div>
</template>
