<script setup lang="ts">
import { PRODUCT_KINDS, REACHES, STATES, type Listed } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { asOptions, orNone } from '~/support/options'
import { activesOn, NO_SHELF_WISH, type ShelfWish } from '~/support/shelf/shelf'
import { textOf } from '~/support/typed'

/** What the shelf is asked for. */
const props = defineProps<{
  wish: ShelfWish
  list: readonly Listed[]
  isWished: boolean
  mixes: boolean
}>()
const emit = defineEmits<{ change: [wish: ShelfWish] }>()
const set = (more: Partial<ShelfWish>) => emit('change', { ...props.wish, ...more })
const actives = computed(() => orNone(asOptions(activesOn(props.list)), 'any active'))
</script>

<template>
  <div class="flex flex-wrap items-end gap-3 mb-3">
    <label class="flex flex-col gap-1 text-sm text-soft flex-1 min-w-48">
      Find
      <input
        class="field !text-ink text-base"
        type="search"
        placeholder="a name, an active, a lot"
        :value="wish.typed"
        @input="set({ typed: textOf($event) })"
      />
    </label>
    <FieldChoice
      v-if="!mixes"
      label="Kind"
      :value="wish.kind"
      :options="orNone(asOptions(PRODUCT_KINDS), 'any')"
      @change="set({ kind: $event })"
    />
    <FieldChoice
      class="max-w-36"
      label="With"
      grows
      :value="wish.active"
      :options="actives"
      @change="set({ active: $event })"
    />
    <FieldChoice
      label="For"
      :value="wish.concern"
      :options="orNone(asOptions(CONCERNS), 'anything')"
      @change="set({ concern: $event })"
    />
    <FieldChoice
      label="Never on"
      :value="wish.never"
      :options="orNone(asOptions(REACHES), '–')"
      @change="set({ never: $event })"
    />
    <FieldChoice
      label="Stock"
      :value="wish.state"
      :options="orNone(asOptions(STATES), 'any')"
      @change="set({ state: $event })"
    />
    <button type="button" class="pick" :aria-pressed="wish.away" @click="set({ away: !wish.away })">
      Put away
    </button>
    <button
      v-if="isWished"
      type="button"
      class="pick"
      @click="set({ ...NO_SHELF_WISH, away: wish.away })"
    >
      Clear
    </button>
  </div>
</template>
