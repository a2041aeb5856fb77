<script setup lang="ts">
import { cardsWith, type SetUpForm } from '~/support/set-up/form'

const form = defineModel<SetUpForm>('form', { required: true })
const props = defineProps<{
  cards: readonly { readonly name: string; readonly deviceIds: readonly string[] }[]
}>()
const cards = computed(() => cardsWith(props.cards, form.value.deviceIds))
const WAYS = [
  { value: 'starter', words: 'With the starter' },
  { value: 'files', words: 'With files of my own' },
  { value: 'empty', words: 'Empty' },
] as const
</script>

<template>
  <div class="flex flex-col gap-4">
    <RadioPicks
      label="What to begin with"
      :value="form.begin"
      :options="WAYS"
      @change="form.begin = $event"
    />
    <template v-if="form.begin === 'starter'">
      <p class="max-w-[70ch]">
        <strong>{{ cards.length }} cards</strong> to change as you like: {{ cards.join(' · ') }}.
        Cards that need a device come with the device.
      </p>
      <p class="max-w-[70ch] text-soft">
        A shelf of plain kinds of product (cleanser, enzyme, set mask, sun protection …) with their
        usual times. Each is to be filled in from your own pack: until then its ingredients count as
        <em>not checked</em>, and nothing is counted.
      </p>
    </template>
    <p v-else-if="form.begin === 'files'" class="max-w-[70ch] text-soft">
      As soon as the salon is open you bring in what you have: the shelf and the clients as tables
      (CSV), cards and bundles of this product, vCards. You see what is in each before it is taken.
    </p>
    <p v-else class="max-w-[70ch] text-soft">
      No cards and no shelf. Cards, products and clients can be brought in as files later:
      Protocols, Shelf, Clients.
    </p>
  </div>
</template>
