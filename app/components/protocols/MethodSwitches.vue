<script setup lang="ts">
import { METHODS } from '#core/compose'

const props = defineProps<{
  methods: Readonly<Record<string, string>>
  said: Readonly<Record<string, readonly string[]>>
  busy: boolean
}>()
const emit = defineEmits<{ choose: [question: string, school: string]; house: [] }>()
const session = useSessionStore()
/** The schools this salon follows: Settings, How we work. */
const house = computed(() => session.salon?.methods ?? {})
const otherwise = computed(
  () => Object.entries(house.value).filter(([id, school]) => props.methods[id] !== school).length,
)
const answered = (id: string) => props.methods[id] ?? ''
const schoolsOf = ({ id, schools, byDefault }: (typeof METHODS)[number]) =>
  schools.map((school) => ({
    value: school.id,
    words: `${school.name}${mark(id, school.id, byDefault)}`,
  }))
/** What the house does goes before what is usual. */
function mark(question: string, school: string, byDefault: string): string {
  const own = house.value[question]
  if (own !== undefined) return own === school ? ' (ours)' : ''
  return school === byDefault ? ' (usual)' : ''
}
const why = (id: string, school: string) =>
  METHODS.find((method) => method.id === id)?.schools.find((other) => other.id === school)?.why
</script>

<template>
  <div>
    <p class="text-sm text-soft mb-2">
      Where practitioners differ. A switch rewrites the ladder and says what it did; undo takes it
      back.
    </p>
    <div v-if="otherwise > 0" class="flex items-center gap-3 pb-3">
      <p class="flex-1">
        {{ otherwise === 1 ? 'One switch stands' : `${otherwise} switches stand` }} otherwise than
        you work here.
      </p>
      <button type="button" class="rung" :disabled="busy" @click="emit('house')">
        Write it our way
      </button>
    </div>
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
