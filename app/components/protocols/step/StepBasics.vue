<script setup lang="ts">
import { productsFor, type Shelf } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { PHASES, type Step } from '#core/protocol'
import { setField } from '~/ladder/edit'
import { withProduct } from '~/ladder/step-fields'
import { asOptions, orNone } from '~/support/options'

const props = defineProps<{ step: Step; shelf: Shelf }>()
const emit = defineEmits<{ change: [step: Step] }>()
const put = (more: Partial<Step>) => emit('change', { ...props.step, ...more })
const products = computed(() => productsFor(props.step, props.shelf.products))
const device = computed(() => props.shelf.devices.find(({ id }) => id === props.step.deviceId))
const productOptions = computed(() =>
  orNone(products.value.map(({ pick, name }) => ({ value: pick.productId, words: name }))),
)
const deviceOptions = computed(() =>
  orNone(props.shelf.devices.map(({ id, name }) => ({ value: id, words: name }))),
)
const { said } = useMeasures()
const setUp = computed(() => {
  if (!device.value) return undefined
  const { setup, setting, maxMinutes } = device.value
  const most = maxMinutes ? [`at most ${maxMinutes} min on one zone`] : []
  return said([...setup, setting, ...most].join(' · '))
})
function chooseProduct(id: string) {
  const pick = products.value.find((product) => product.pick.productId === id)?.pick
  if (pick || id === '') emit('change', withProduct(props.step, pick, props.shelf))
}
const chooseConcern = (concern: Step['concern'] | '') =>
  emit('change', setField(props.step, 'concern', concern || undefined))
</script>

<template>
  <FieldText
    label="Name"
    input-id="step-title"
    class="[&_input]:text-base"
    :value="step.title"
    :maxlength="120"
    needed
    @change="put({ title: $event })"
  />
  <div class="grid grid-cols-2 gap-2">
    <FieldChoice
      label="Phase"
      :value="step.phase"
      :options="asOptions(PHASES)"
      @change="put({ phase: $event })"
    />
    <FieldChoice
      label="For"
      :value="step.concern ?? ''"
      :options="orNone(asOptions(CONCERNS), 'everybody')"
      @change="chooseConcern"
    />
    <FieldChoice
      class="col-span-2"
      label="Product"
      grows
      :name="`Product of ${step.title}`"
      :value="step.product?.productId ?? ''"
      :options="productOptions"
      @change="chooseProduct"
    />
    <FieldChoice
      class="col-span-2"
      label="Device"
      grows
      :value="step.deviceId ?? ''"
      :options="deviceOptions"
      @change="emit('change', setField(step, 'deviceId', $event || undefined))"
    />
    <p v-if="setUp" class="col-span-2 text-sm text-soft">Set-up: {{ setUp }}</p>
  </div>
</template>
