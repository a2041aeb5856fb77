<script setup lang="ts">
import { Keyboard, Printer } from 'lucide-vue-next'
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { Course, Step } from '#core/protocol'
import type { CardState } from '~/composables/protocols/useCard'

/** Beside the ladder: what the rung with the cursor carries, or the methods; and below, what happens to the whole card. */
const props = defineProps<{
  card: CardState
  current: Step | undefined
  picked: number
  shelf: Shelf
  sketch: Sketch | undefined
  said: Readonly<Record<string, readonly string[]>>
  busy: boolean
  mayWrite: boolean
  others: readonly { readonly id: string; readonly name: string }[]
}>()
const emit = defineEmits<{
  change: [step: Step]
  move: [by: -1 | 1]
  copy: []
  remove: []
  mend: [stepId: string | undefined]
  method: [question: string, school: string]
  house: []
  course: [course: Course | null]
  keys: []
  print: []
}>()
const side = defineModel<'step' | 'methods' | 'course'>({ required: true })
const findings = computed(
  () => props.sketch?.findings.filter(({ stepId }) => stepId === props.current?.id) ?? [],
)
</script>

<template>
  <div class="flex gap-1.5 mb-3">
    <button
      type="button"
      class="pick flex-1 !px-1 whitespace-nowrap"
      :aria-pressed="side === 'step'"
      @click="side = 'step'"
    >
      This rung
    </button>
    <button
      type="button"
      class="pick flex-1 !px-1 whitespace-nowrap"
      :aria-pressed="side === 'methods'"
      @click="side = 'methods'"
    >
      Methods
    </button>
    <button
      type="button"
      class="pick flex-1 !px-1 whitespace-nowrap"
      :aria-pressed="side === 'course'"
      @click="side = 'course'"
    >
      Course<template v-if="sketch?.rhythm">
        <span class="ml-1" aria-hidden="true">✕</span><span class="sr-only">too short</span>
      </template>
    </button>
    <button
      type="button"
      class="pick !px-0 grid place-items-center"
      aria-label="Keys"
      @click="emit('keys')"
    >
      <Keyboard :size="19" />
    </button>
    <button
      type="button"
      class="pick !px-0 grid place-items-center"
      aria-label="Print the card"
      @click="emit('print')"
    >
      <Printer :size="18" />
    </button>
  </div>
  <div :key="side" class="flex-1 min-h-0 overflow-y-auto pr-2">
    <MethodSwitches
      v-if="side === 'methods'"
      :methods="card.methods"
      :said="said"
      :busy="busy || !mayWrite"
      @choose="(question, school) => emit('method', question, school)"
      @house="emit('house')"
    />
    <fieldset v-else-if="side === 'course'" :disabled="!mayWrite">
      <CardCourse
        :course="card.course"
        :rhythm="sketch?.rhythm"
        :others="others"
        @change="emit('course', $event)"
      />
    </fieldset>
    <template v-else-if="current">
      <FindingMends :findings="findings" :may-write="mayWrite" @mend="emit('mend', $event)" />
      <div v-if="mayWrite" class="flex gap-1.5 mb-3">
        <button type="button" class="pick text-sm flex-1 !px-1" @click="emit('move', -1)">
          Up
        </button>
        <button type="button" class="pick text-sm flex-1 !px-1" @click="emit('move', 1)">
          Down
        </button>
        <button type="button" class="pick text-sm flex-1 !px-1" @click="emit('copy')">Copy</button>
        <button type="button" class="pick text-sm flex-1 !px-1" @click="emit('remove')">
          Take out
        </button>
      </div>
      <p v-if="picked > 1" class="mb-2 text-soft">
        {{ picked }} rungs are picked: they move, copy and go together.
      </p>
      <fieldset :disabled="!mayWrite">
        <StepPanel
          :key="current.id"
          :step="current"
          :steps="card.steps"
          :shelf="shelf"
          @change="emit('change', $event)"
        />
      </fieldset>
    </template>
    <p v-else class="text-soft">Choose a rung to see what it carries.</p>
  </div>
</template>
