<script setup lang="ts">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/vue'
import { ageInWords } from '~/support/clients'
import { textOf } from '~/support/typed'
import type { ListedClient } from '~/composables/clients/useClientSearch'

/** A client by a few letters of the name, digits of the number or the birthday. */
const props = defineProps<{ label: string; value: string; name: string }>()
const emit = defineEmits<{ change: [id: string, name: string, bornOn: string] }>()
const session = useSessionStore()
const { find, clients, load } = useClientSearch()
const MOST_SHOWN = 12
const box = ref<HTMLElement>()
const opener = ref<{ el: HTMLButtonElement | undefined }>()
const list = ref<InstanceType<typeof ComboboxOptions>>()
const placed = usePlaced(
  computed(() => box.value ?? null),
  computed(() => list.value ?? null),
)
const found = computed(() => (clients.value ?? []).slice(0, MOST_SHOWN))
const today = computed(() => session.salon?.today ?? '')
const chosen = computed(() => found.value.find(({ id }) => id === props.value))
const displayed = () => props.name
/** Two of one name are told apart by their birthday. */
const spoken = (client: ListedClient) =>
  found.value.filter(({ name }) => name === client.name).length > 1
    ? `${client.name}, ${ageInWords(client.bornOn, today.value)}`
    : client.name
function choose(client: ListedClient | null) {
  if (client) emit('change', client.id, client.name, client.bornOn)
}
const type = (event: Event) => {
  find.value = textOf(event)
}
/** A touch shows who is first in the list, before a letter is typed. */
function show(event: Event, isOpen: boolean) {
  const input = event.target as HTMLInputElement
  input.select()
  if (!isOpen) opener.value?.el?.click()
}
onMounted(load)
</script>

<template>
  <Combobox
    v-slot="{ open }"
    as="div"
    class="flex flex-col gap-1"
    :model-value="chosen ?? null"
    nullable
    @update:model-value="choose"
  >
    <ComboboxLabel>{{ label }}</ComboboxLabel>
    <div ref="box" class="flex">
      <ComboboxInput
        class="field w-full"
        autocomplete="off"
        spellcheck="false"
        dir="auto"
        placeholder="a name, a number, a birthday"
        :display-value="displayed"
        @change="type"
        @click="show($event, open)"
      />
      <ComboboxButton ref="opener" class="sr-only" tabindex="-1" aria-hidden="true" />
    </div>
    <ComboboxOptions ref="list" class="choices" :style="placed">
      <ComboboxOption
        v-for="client in found"
        :key="client.id"
        v-slot="{ active }"
        as="template"
        :value="client"
      >
        <li class="choices-line" :class="active && 'bg-sunk'" :aria-label="spoken(client)">
          <span dir="auto">{{ client.name }}</span>
          <span class="text-sm text-soft">{{ ageInWords(client.bornOn, today) }}</span>
        </li>
      </ComboboxOption>
      <li v-if="found.length === 0" class="choices-line text-soft">Nobody fits.</li>
    </ComboboxOptions>
  </Combobox>
</template>
