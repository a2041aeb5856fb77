<script setup lang="ts">
import { Plus, Trash2 } from 'lucide-vue-next'
import type { Segment, Step } from '#core/protocol'
import { setLimit } from '~/ladder/edit'
import {
  PART_WORDS,
  partWords,
  withNewPart,
  withoutPart,
  withSign,
  withTechnique,
} from '~/ladder/part-fields'
import { textOf } from '~/support/typed'
import PartApply from './part/PartApply.vue'
import PartDwell from './part/PartDwell.vue'
import PartPrepare from './part/PartPrepare.vue'
import PartRemove from './part/PartRemove.vue'

const props = defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
const LIMITS = { minS: 'least', usualS: 'usual', maxS: 'most' } as const
const COLUMNS = 'grid grid-cols-[1fr_3.6rem_3.6rem_3.6rem_2rem] gap-1.5 items-center'
/** What belongs to one kind of part only. */
const OF_KIND = { prepare: PartPrepare, apply: PartApply, dwell: PartDwell, remove: PartRemove }
const fieldsOf = (part: Segment) =>
  part.kind in OF_KIND ? OF_KIND[part.kind as keyof typeof OF_KIND] : undefined
const SIGN_HINTS: Partial<Record<Segment['kind'], string>> = {
  remove: 'again until … (no residue on the sponge)',
  dwell: 'done when … (dry to the touch)',
}
/** What hands do otherwise than usual. */
const MAY_SAY: ReadonlySet<Segment['kind']> = new Set(['prepare', 'apply', 'remove'])
const tenths = (seconds: number) => Math.round(seconds / 6) / 10
function limit(part: Segment, which: keyof typeof LIMITS, event: Event) {
  emit('change', setLimit(props.step, part.id, which, Number(textOf(event))))
}
</script>

<template>
  <div>
    <div :class="COLUMNS" class="text-sm text-soft">
      <span />
      <span v-for="word in LIMITS" :key="word" class="text-center">{{ word }}</span>
      <span />
    </div>
    <div v-for="part in step.segments" :key="part.id" class="border-t border-hair py-1.5">
      <div :class="COLUMNS">
        <span class="truncate">
          {{ partWords(part) }}<span v-if="part.active" class="text-mind text-sm"> acts</span>
        </span>
        <input
          v-for="(word, which) in LIMITS"
          :key="which"
          type="number"
          class="field !min-h-[36px] w-full !px-1.5 text-center"
          :class="which === 'usualS' && 'font-semibold'"
          step="0.5"
          min="0"
          max="240"
          v-shown="tenths(part[which])"
          :aria-label="`${step.title}, ${PART_WORDS[part.kind]}, ${word} minutes`"
          @change="limit(part, which, $event)"
        />
        <button
          type="button"
          class="h-9 grid place-items-center aria-disabled:opacity-40"
          :aria-label="`Take ${PART_WORDS[part.kind]} out`"
          v-off="step.segments.length === 1 && 'It is the only part: take the step out instead.'"
          @click="emit('change', withoutPart(step, part.id))"
        >
          <Trash2 :size="16" />
        </button>
      </div>
      <component
        :is="fieldsOf(part)"
        v-if="fieldsOf(part)"
        :step="step"
        :part="part"
        @change="emit('change', $event)"
      />
      <input
        v-if="SIGN_HINTS[part.kind]"
        class="field !min-h-[34px] w-full !px-2 mt-1.5 text-sm"
        v-shown="part.end?.sign ?? ''"
        :placeholder="SIGN_HINTS[part.kind]"
        :aria-label="`Sign that ${PART_WORDS[part.kind]} is over`"
        maxlength="120"
        @change="emit('change', withSign(step, part, textOf($event)))"
      />
      <input
        v-if="part.technique !== undefined || MAY_SAY.has(part.kind)"
        class="field !min-h-[34px] w-full !px-2 mt-1.5 text-sm"
        v-shown="part.technique ?? ''"
        placeholder="how, where it is not the usual way"
        :aria-label="`How ${partWords(part)} is done in ${step.title}`"
        maxlength="300"
        @change="emit('change', withTechnique(step, part, textOf($event)))"
      />
    </div>
    <div class="flex flex-wrap gap-1.5 border-t border-hair pt-2">
      <button
        v-for="(word, kind) in PART_WORDS"
        :key="kind"
        type="button"
        class="pick !min-h-[34px] !px-2 text-sm flex items-center gap-1"
        @click="emit('change', withNewPart(step, kind))"
      >
        <Plus :size="13" />
        {{ word }}
      </button>
    </div>
  </div>
</template>
