<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { searchCatalogue, type CatalogueRow, type Standing } from '#core/compose'

/** `standing`: the phase of the rung the step would come after. */
const props = defineProps<{ standing: Standing }>()
const emit = defineEmits<{ add: [row: CatalogueRow]; leave: [] }>()
const typed = ref('')
const found = computed(() => searchCatalogue(typed.value, props.standing).slice(0, 9))
const chosen = ref<CatalogueRow | null>(null)
const field = ref<{ $el: HTMLInputElement }>()
function take(row: CatalogueRow | null) {
  if (!row) return
  emit('add', row)
  typed.value = ''
  chosen.value = null
  if (field.value) field.value.$el.value = ''
}
const minutesOf = (row: CatalogueRow) =>
  Math.round(row.segments.reduce((sum, part) => sum + part.usualS, 0) / 60)
function leave(event: KeyboardEvent) {
  if (typed.value === '') {
    event.preventDefault()
    emit('leave')
  }
}
defineExpose({ focus: () => field.value?.$el.focus() })
</script>

<template>
  <Combobox
    v-slot="{ open }"
    :model-value="chosen"
    nullable
    as="div"
    class="relative"
    @update:model-value="take"
  >
    <ComboboxInput
      ref="field"
      class="field w-full"
      aria-label="Add a step"
      placeholder="Add a step: two letters are enough"
      autocomplete="off"
      :display-value="() => ''"
      @change="typed = $event.target.value"
      @keydown.esc="leave"
    />
    <ComboboxOptions
      v-if="open && typed !== ''"
      static
      class="absolute z-20 left-0 right-0 mt-1 bg-raised border border-line max-h-[420px] overflow-y-auto"
    >
      <!-- A new key for every letter: what is lit is always the best match, not what was lit before. -->
      <ComboboxOption
        v-for="row in found"
        :key="`${typed}·${row.id}`"
        v-slot="{ active }"
        :value="row"
        as="template"
      >
        <li
          class="flex items-baseline gap-3 px-3 py-2 cursor-default"
          :class="active && 'bg-now-ground'"
        >
          <span>
            {{ row.name }}
          </span>
          <span class="text-sm text-soft">
            {{ row.phase.replaceAll('-', ' ') }}
          </span>
          <span class="ml-auto text-soft text-sm">{{ minutesOf(row) }} min</span>
        </li>
      </ComboboxOption>
      <li v-if="found.length === 0" class="px-3 py-2 text-soft">
        Nothing is called so. Try what it does: mask, calm, current.
      </li>
    </ComboboxOptions>
  </Combobox>
</template>
