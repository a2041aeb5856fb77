<script setup lang="ts">
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-vue-next'
import {
  MOVEMENT_TYPES,
  movementSeconds,
  PATH_WORDS,
  PATHS,
  PRESSURES,
  type Movement,
} from '#core/protocol'
import { durationInWords } from '#core/quantity'
import { repetitionsFrom, secondsEachFrom } from '~/ladder/movement-fields'
import { asOptions } from '~/support/options'

/** One movement of a list: where it runs, how, how often, and how long that takes. */
defineProps<{ movement: Movement; nr: number; isLast: boolean }>()
const emit = defineEmits<{ change: [more: Partial<Movement>]; move: [by: -1 | 1]; remove: [] }>()
const paths = PATHS.map((path) => ({ value: path, words: PATH_WORDS[path] }))
const sides = [
  { value: 'both at once', words: 'both at once' },
  { value: 'each', words: 'then the other side' },
] as const
</script>

<template>
  <div class="flex items-center gap-1.5">
    <span class="w-5 text-right font-semibold">
      {{ nr }}
    </span>
    <FieldChoice
      beside
      small
      class="choice-fills flex-1 min-w-0"
      :name="`Path of movement ${nr}`"
      :value="movement.path"
      :options="paths"
      @change="emit('change', { path: $event })"
    />
    <button
      type="button"
      class="w-8 h-9 grid place-items-center aria-disabled:opacity-40"
      :aria-label="`Movement ${nr} up`"
      v-off="nr === 1 && 'It is the first already.'"
      @click="emit('move', -1)"
    >
      <ArrowUp :size="16" />
    </button>
    <button
      type="button"
      class="w-8 h-9 grid place-items-center aria-disabled:opacity-40"
      :aria-label="`Movement ${nr} down`"
      v-off="isLast && 'It is the last already.'"
      @click="emit('move', 1)"
    >
      <ArrowDown :size="16" />
    </button>
    <button
      type="button"
      class="w-8 h-9 grid place-items-center"
      :aria-label="`Take movement ${nr} out`"
      @click="emit('remove')"
    >
      <Trash2 :size="16" />
    </button>
  </div>
  <div class="flex flex-wrap items-center gap-1.5 pl-6.5 mt-1 text-sm">
    <FieldChoice
      beside
      small
      :name="`Kind of movement ${nr}`"
      :value="movement.type"
      :options="asOptions(MOVEMENT_TYPES)"
      @change="emit('change', { type: $event })"
    />
    <FieldChoice
      beside
      small
      :name="`Pressure of movement ${nr}`"
      :value="movement.pressure"
      :options="asOptions(PRESSURES)"
      @change="emit('change', { pressure: $event })"
    />
    <FieldChoice
      beside
      small
      :name="`Sides of movement ${nr}`"
      :value="movement.sides"
      :options="sides"
      @change="emit('change', { sides: $event })"
    />
    <FieldNumber
      beside
      unit="×"
      :name="`Repetitions of movement ${nr}`"
      :value="movement.repetitions"
      :min="1"
      :max="60"
      @change="emit('change', { repetitions: repetitionsFrom($event) })"
    />
    <FieldNumber
      beside
      unit="s"
      :name="`Seconds each of movement ${nr}`"
      :value="movement.secondsEach"
      :min="0.5"
      :max="120"
      :step="0.5"
      @change="emit('change', { secondsEach: secondsEachFrom($event) })"
    />
    <span class="ml-auto text-soft">{{
      durationInWords(Math.ceil(movementSeconds(movement)))
    }}</span>
  </div>
</template>
