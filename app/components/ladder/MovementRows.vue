<script setup lang="ts">
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-vue-next'
import {
  MOVEMENT_TYPES,
  movementSeconds,
  movementsSeconds,
  PATH_WORDS,
  PATHS,
  type Movement,
  type PathId,
} from '#core/protocol'
import { durationInWords } from '#core/quantity'
import { offTheMap } from '~/skin-map/strokes'
import { textOf as text } from '~/support/typed'

const props = defineProps<{ movements: readonly Movement[] }>()
const emit = defineEmits<{ change: [movements: Movement[]] }>()
const chosen = ref<string>()
const put = (at: number, more: Partial<Movement>) =>
  emit(
    'change',
    props.movements.map((one, index) => (index === at ? { ...one, ...more } : one)),
  )
const swap = (at: number, by: -1 | 1) => {
  const now = [...props.movements]
  const [here, there] = [now[at], now[at + by]]
  if (!here || !there) return
  now[at] = there
  now[at + by] = here
  emit('change', now)
}
function add(path: PathId) {
  const id = `m${Date.now().toString(36)}`
  emit('change', [
    ...props.movements,
    {
      id,
      path,
      type: 'effleurage',
      repetitions: 6,
      pressure: 'light',
      secondsEach: 4,
      sides: 'both at once',
      with: 'hands',
    },
  ])
  chosen.value = id
}
const number = (event: Event) => Number((event.target as HTMLInputElement).value)
const whole = (value: number, least: number, most: number) =>
  Math.max(least, Math.min(most, Math.round(value) || least))
function addChosen(event: Event) {
  add(text(event) as PathId)
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <div>
    <MovementMap v-if="movements.length > 0" :movements="movements" :chosen="chosen" />
    <p v-if="offTheMap(movements).length > 0" class="text-sm text-soft">
      Not on this map:
      {{
        offTheMap(movements)
          .map((one) => PATH_WORDS[one.path])
          .join(', ')
      }}
    </p>
    <ol class="border-t border-hair mt-1">
      <li
        v-for="(one, at) in movements"
        :key="one.id"
        class="py-1.5 border-b border-hair"
        :class="chosen === one.id && 'bg-now-ground'"
        @focusin="chosen = one.id"
      >
        <div class="flex items-center gap-1.5">
          <span class="w-5 text-right font-semibold">
            {{ at + 1 }}
          </span>
          <select
            class="field !min-h-[36px] flex-1 min-w-0 !px-2"
            :value="one.path"
            :aria-label="`Path of movement ${at + 1}`"
            @change="put(at, { path: text($event) as PathId })"
          >
            <option v-for="path in PATHS" :key="path" :value="path">{{ PATH_WORDS[path] }}</option>
          </select>
          <button
            type="button"
            class="w-8 h-9 grid place-items-center disabled:opacity-40"
            :aria-label="`Movement ${at + 1} up`"
            :disabled="at === 0"
            @click="swap(at, -1)"
          >
            <ArrowUp :size="16" />
          </button>
          <button
            type="button"
            class="w-8 h-9 grid place-items-center disabled:opacity-40"
            :aria-label="`Movement ${at + 1} down`"
            :disabled="at === movements.length - 1"
            @click="swap(at, 1)"
          >
            <ArrowDown :size="16" />
          </button>
          <button
            type="button"
            class="w-8 h-9 grid place-items-center"
            :aria-label="`Take movement ${at + 1} out`"
            @click="
              emit(
                'change',
                movements.filter((_, index) => index !== at),
              )
            "
          >
            <Trash2 :size="16" />
          </button>
        </div>
        <div class="flex flex-wrap items-center gap-1.5 pl-6.5 mt-1 text-sm">
          <select
            class="field !min-h-[34px] !px-1.5"
            :value="one.type"
            :aria-label="`Kind of movement ${at + 1}`"
            @change="put(at, { type: text($event) as Movement['type'] })"
          >
            <option v-for="type in MOVEMENT_TYPES" :key="type">{{ type }}</option>
          </select>
          <select
            class="field !min-h-[34px] !px-1.5"
            :value="one.pressure"
            :aria-label="`Pressure of movement ${at + 1}`"
            @change="put(at, { pressure: text($event) as Movement['pressure'] })"
          >
            <option>light</option>
            <option>medium</option>
            <option>firm</option>
          </select>
          <select
            class="field !min-h-[34px] !px-1.5"
            :value="one.sides"
            :aria-label="`Sides of movement ${at + 1}`"
            @change="put(at, { sides: text($event) as Movement['sides'] })"
          >
            <option value="both at once">both at once</option>
            <option value="each">then the other side</option>
          </select>
          <label class="flex items-center gap-1">
            <input
              type="number"
              class="field !min-h-[34px] w-14 !px-1.5"
              min="1"
              max="60"
              v-shown="one.repetitions"
              :aria-label="`Repetitions of movement ${at + 1}`"
              @change="put(at, { repetitions: whole(number($event), 1, 60) })"
            />
            ×
          </label>
          <label class="flex items-center gap-1">
            <input
              type="number"
              class="field !min-h-[34px] w-15 !px-1.5"
              min="0.5"
              max="120"
              step="0.5"
              v-shown="one.secondsEach"
              :aria-label="`Seconds each of movement ${at + 1}`"
              @change="
                put(at, { secondsEach: Math.max(0.5, Math.min(120, number($event) || 0.5)) })
              "
            />
            s
          </label>
          <span class="ml-auto text-soft">{{
            durationInWords(Math.ceil(movementSeconds(one)))
          }}</span>
        </div>
      </li>
    </ol>
    <div class="flex items-center gap-2 mt-2">
      <select class="field flex-1" aria-label="Add a movement" value="" @change="addChosen">
        <option value="" disabled>Add a movement</option>
        <option v-for="path in PATHS" :key="path" :value="path">{{ PATH_WORDS[path] }}</option>
      </select>
      <span v-if="movements.length > 0" class="whitespace-nowrap"
        >together <b>{{ durationInWords(movementsSeconds(movements)) }}</b>
      </span>
    </div>
  </div>
</template>
