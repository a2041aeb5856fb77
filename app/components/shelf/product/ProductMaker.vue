<script setup lang="ts">
import { SKIN_STATES, type Product } from '#core/catalog'
import {
  makerChanged,
  makerMinutes,
  makerSource,
  type ProductChange,
} from '~/support/shelf/product-fields'

/** What its maker prints, with where it stands: it always tightens, and loosens only what the rules let it. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ change: [more: ProductChange]; bad: [says: string] }>()
const put = (more: ProductChange) => emit('change', more)
const bad = (says: string) => emit('bad', says)
const NOT_SAID = ''
const SKIN = [
  { value: NOT_SAID, words: 'not said' },
  ...SKIN_STATES.map((value) => ({ value, words: value })),
]
const WARM = [
  { value: NOT_SAID, words: 'not said' },
  { value: 'yes', words: 'yes, warm' },
  { value: 'no', words: 'no, lukewarm' },
]
const maker = computed(() => props.product.maker)
const warm = computed(() => {
  const { warmRemoval } = maker.value ?? {}
  if (warmRemoval === undefined) return NOT_SAID
  return warmRemoval ? 'yes' : 'no'
})
const putWarm = (value: string) =>
  put(
    makerChanged(props.product, { warmRemoval: value === NOT_SAID ? undefined : value === 'yes' }),
  )
function putSkin(value: string) {
  const skin = SKIN_STATES.find((state) => state === value)
  put(makerChanged(props.product, { skin }))
}
const noMinutes = () => put(makerChanged(props.product, { minutes: undefined }))
</script>

<template>
  <section aria-label="Printed by its maker">
    <h2 class="text-xl border-b border-line pb-1 mb-2">Printed by its maker</h2>
    <div class="grid grid-cols-2 gap-3">
      <FieldText
        label="Where it stands"
        placeholder="leaflet or label, with its edition"
        :maxlength="200"
        :value="maker?.source ?? ''"
        @change="put(makerSource(product, $event))"
      />
      <p class="self-end text-sm text-soft pb-1">{{
        maker
          ? 'It comes before the card, and before the house’s figures where it asks for more care.'
          : 'Say where it stands first: nothing counts without its source.'
      }}</p>
    </div>
    <div v-if="maker" class="grid grid-cols-5 gap-3 mt-3">
      <FieldFigure
        label="Minutes, usual"
        words="Usual minutes"
        :value="maker.minutes?.usual"
        :least="0.5"
        :most="240"
        @change="put(makerMinutes(product, { usual: $event }))"
        @clear="noMinutes"
        @bad="bad"
      />
      <FieldFigure
        label="Minutes, most"
        words="Most minutes"
        :value="maker.minutes?.most"
        :least="0.5"
        :most="240"
        @change="put(makerMinutes(product, { most: $event }))"
        @clear="noMinutes"
        @bad="bad"
      />
      <FieldFigure
        whole
        label="Days between"
        :value="maker.daysBetween"
        :least="1"
        :most="183"
        @change="put(makerChanged(product, { daysBetween: $event }))"
        @clear="put(makerChanged(product, { daysBetween: undefined }))"
        @bad="bad"
      />
      <FieldChoice
        label="On skin that is"
        :value="maker.skin ?? NOT_SAID"
        :options="SKIN"
        @change="putSkin"
      />
      <FieldChoice label="May come off warm" :value="warm" :options="WARM" @change="putWarm" />
    </div>
  </section>
</template>
