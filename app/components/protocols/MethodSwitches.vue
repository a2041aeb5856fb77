<script setup lang="ts">
import { METHODS } from '#core/compose'

const props = defineProps<{
  methods: Readonly<Record<string, string>>
  said: Readonly<Record<string, readonly string[]>>
  busy: boolean
}>()
const emit = defineEmits<{ choose: [question: string, school: string] }>()
const answered = (id: string) => props.methods[id] ?? ''
const schoolsOf = ({ schools, byDefault }: (typeof METHODS)[number]) =>
  schools.map(({ id, name }) => ({ value: id, words: id === byDefault ? `${name} (usual)` : name }))
const why = (id: string, school: string) =>
  METHODS.find((method) => method.id === id)?.schools.find((other) => other.id === school)?.why
</script>

<template>
  <div>
    <p class="text-sm text-soft mb-2">
      Where practitioners differ. A switch rewrites the ladder and says what it did; undo takes it
      back.
    </p>
    <div v-for="method in METHODS" :key="method.id" class="border-t border-hair py-2">
      <div class="flex items-center gap-2">
        <span class="w-32 shrink-0" aria-hidden="true">
          {{ method.asks }}
        </span>
        <FieldChoice
          beside
          small
          class="choice-fills flex-1 min-w-0"
          :name="method.asks"
          unset="as written"
          :value="answered(method.id)"
          :options="schoolsOf(method)"
          :disabled="busy"
          @change="emit('choose', method.id, $event)"
        />
      </div>
      <p v-if="said[method.id]" role="status" class="text-sm mt-1">{{
        said[method.id]!.join(' ')
      }}</p>
      <p v-else-if="answered(method.id)" class="text-sm text-soft mt-1">{{
        why(method.id, answered(method.id))
      }}</p>
    </div>
  </div>
</template>
