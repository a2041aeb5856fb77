<script setup lang="ts">
import { movementsSeconds, PATH_WORDS, PATHS, type Movement, type PathId } from '#core/protocol'
import { durationInWords } from '#core/quantity'
import {
  withMovement,
  withMovementMoved,
  withNewMovement,
  withoutMovement,
} from '~/ladder/movement-fields'
import { offTheMap } from '~/skin-map/strokes'

const props = defineProps<{ movements: readonly Movement[] }>()
const emit = defineEmits<{ change: [movements: Movement[]] }>()
const chosen = ref<string>()
const paths = PATHS.map((path) => ({ value: path, words: PATH_WORDS[path] }))
const unmapped = computed(() =>
  offTheMap(props.movements).map((movement) => PATH_WORDS[movement.path]),
)
function add(path: PathId | '') {
  if (path === '') return
  const id = `m${Date.now().toString(36)}`
  emit('change', withNewMovement(props.movements, id, path))
  chosen.value = id
}
</script>

<template>
  <div>
    <MovementMap v-if="movements.length > 0" :movements="movements" :chosen="chosen" />
    <p v-if="unmapped.length > 0" class="text-sm text-soft">
      Not on this map:
      {{ unmapped.join(', ') }}
    </p>
    <ol class="border-t border-hair mt-1">
      <li
        v-for="(movement, at) in movements"
        :key="movement.id"
        class="py-1.5 border-b border-hair"
        :class="chosen === movement.id && 'bg-now-ground'"
        @focusin="chosen = movement.id"
      >
        <MovementRow
          :movement="movement"
          :nr="at + 1"
          :is-last="at === movements.length - 1"
          @change="emit('change', withMovement(movements, at, $event))"
          @move="emit('change', withMovementMoved(movements, at, $event))"
          @remove="emit('change', withoutMovement(movements, at))"
        />
      </li>
    </ol>
    <div class="flex items-center gap-2 mt-2">
      <FieldChoice
        class="choice-fills flex-1"
        beside
        name="Add a movement"
        unset="Add a movement"
        value=""
        :options="paths"
        @change="add"
      />
      <span v-if="movements.length > 0" class="whitespace-nowrap"
        >together <b>{{ durationInWords(movementsSeconds(movements)) }}</b>
      </span>
    </div>
  </div>
</template>
