<script setup lang="ts">
import { PRODUCT_KINDS, TEXTURES, VEHICLES, type Product } from '#core/catalog'
import { asOptions, orNone } from '~/support/options'
import { textOf } from '~/support/typed'
import type { ProductChange } from '~/support/shelf/product-fields'

/** What a product is: its name and kind, what it is thin or thick as, what it is dissolved in, and when it is used. */
const props = defineProps<{ product: Product; unit: 'g' | 'mL'; isNew: boolean }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const times = orNone(
  [
    { value: 'day', words: 'by day' },
    { value: 'evening', words: 'evening' },
  ],
  'day or evening',
)
const put = (more: ProductChange) => emit('change', more)
/** A new product is named letter by letter, so that the heading and the button follow. */
function onName(event: Event) {
  if (props.isNew) put({ name: textOf(event) })
}
function onNamed(event: Event) {
  const name = textOf(event).trim()
  if (name) put({ name })
}
</script>

<template>
  <section class="grid grid-cols-4 gap-3" aria-label="What it is">
    <label class="flex flex-col gap-1 text-sm text-soft col-span-2">
      Name
      <input
        class="field !text-ink text-base"
        v-shown="product.name"
        maxlength="120"
        @input="onName"
        @change="onNamed"
      />
    </label>
    <FieldChoice
      label="Kind"
      :value="product.kind"
      :options="asOptions(PRODUCT_KINDS)"
      @change="put({ kind: $event })"
    />
    <FieldChoice
      label="Texture, thin to thick"
      :value="product.texture ?? ''"
      :options="orNone(asOptions(TEXTURES), '–')"
      @change="put({ texture: $event || undefined })"
    />
    <FieldChoice
      label="Dissolved in"
      :value="product.vehicle"
      :options="asOptions(VEHICLES)"
      @change="put({ vehicle: $event })"
    />
    <FieldFigure
      label="pH"
      :value="product.pH"
      :least="0"
      :most="14"
      @change="put({ pH: $event })"
      @clear="put({ pH: undefined })"
      @bad="emit('bad', $event)"
    />
    <FieldChoice
      label="Counted in"
      :value="product.unit ?? unit"
      :options="asOptions(['g', 'mL'])"
      @change="put({ unit: $event })"
    />
    <FieldChoice
      label="When"
      :value="product.time ?? ''"
      :options="times"
      @change="put({ time: $event || undefined })"
    />
  </section>
</template>
