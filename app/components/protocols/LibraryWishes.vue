<script setup lang="ts">
import { CONCERNS } from '#core/client'
import { PHASES } from '#core/protocol'
import { asOptions, orNone } from '~/support/options'
import { NO_WISH, type Shelved, type Wish } from '~/support/protocols/library'
import { textOf } from '~/support/typed'

/** What the library is asked for. */
const props = defineProps<{ wish: Wish; protocols: readonly Shelved[]; isWished: boolean }>()
const emit = defineEmits<{ change: [wish: Wish] }>()
const set = (more: Partial<Wish>) => emit('change', { ...props.wish, ...more })
const devices = computed(() => {
  const used = new Set(props.protocols.flatMap((protocol) => protocol.devices))
  return orNone(asOptions([...used].sort()), 'any or none')
})
const lengths = orNone(
  ['30', '45', '60', '75', '90', '120'].map((minutes) => ({
    value: minutes,
    words: `${minutes} min`,
  })),
  'any length',
)
</script>

<template>
  <div class="flex flex-wrap items-end gap-3 mb-3">
    <label class="flex flex-col gap-1 text-sm text-soft flex-1 min-w-56">
      Find
      <input
        class="field !text-ink text-base"
        type="search"
        placeholder="a name, a word of its note"
        :value="wish.typed"
        @input="set({ typed: textOf($event) })"
      />
    </label>
    <FieldChoice
      label="For"
      :value="wish.concern"
      :options="orNone(asOptions(CONCERNS), 'anything')"
      @change="set({ concern: $event })"
    />
    <FieldChoice
      label="With a step to"
      :value="wish.phase"
      :options="orNone(asOptions(PHASES), 'anything')"
      @change="set({ phase: $event })"
    />
    <FieldChoice
      class="max-w-52"
      label="Device"
      grows
      :value="wish.device"
      :options="devices"
      @change="set({ device: $event })"
    />
    <FieldChoice
      label="At most"
      :value="wish.minutes === undefined ? '' : String(wish.minutes)"
      :options="lengths"
      @change="set({ minutes: Number($event) || undefined })"
    />
    <button type="button" class="pick" :aria-pressed="wish.away" @click="set({ away: !wish.away })">
      Put away
    </button>
    <button
      v-if="isWished"
      type="button"
      class="pick"
      @click="set({ ...NO_WISH, away: wish.away })"
    >
      Clear
    </button>
  </div>
</template>
