<script setup lang="ts">
import type { ScopeEntry } from '#core/salon/model'
import { TECHNIQUE_WORDS } from '#core/salon'
import { textOf } from '~/support/typed'

/** What a person may do beyond the basic licence: off until it is ticked, each with the paper that says so and its end. */
const props = defineProps<{ scope: readonly ScopeEntry[] }>()
const emit = defineEmits<{ change: [scope: ScopeEntry[]] }>()
const TECHNIQUES = Object.keys(TECHNIQUE_WORDS) as ScopeEntry['technique'][]
type Technique = ScopeEntry['technique']

const entryOf = (technique: Technique) => props.scope.find((entry) => entry.technique === technique)
const others = (technique: Technique) =>
  props.scope.filter((entry) => entry.technique !== technique)
const flip = (technique: Technique, isOn: boolean) =>
  emit('change', isOn ? [...props.scope, { technique, licence: '' }] : others(technique))
const setLicence = (technique: Technique, event: Event) =>
  emit(
    'change',
    props.scope.map((entry) =>
      entry.technique === technique ? { ...entry, licence: textOf(event).trim() } : entry,
    ),
  )
function setUntil(technique: Technique, event: Event) {
  const until = textOf(event)
  const licence = entryOf(technique)?.licence ?? ''
  emit('change', [...others(technique), { technique, licence, ...(until ? { until } : {}) }])
}
</script>

<template>
  <ul>
    <li
      v-for="technique in TECHNIQUES"
      :key="technique"
      class="flex items-center gap-3 min-h-[46px] border-b border-hair flex-wrap"
    >
      <FieldTick
        class="w-56"
        :checked="entryOf(technique) !== undefined"
        @change="flip(technique, $event)"
      >
        {{ TECHNIQUE_WORDS[technique] }}
      </FieldTick>
      <template v-if="entryOf(technique)">
        <input
          class="field !px-2 w-44"
          maxlength="80"
          placeholder="Licence number"
          :aria-label="`Licence number for ${TECHNIQUE_WORDS[technique]}`"
          :value="entryOf(technique)!.licence"
          @change="setLicence(technique, $event)"
        />
        <label class="flex items-center gap-2 text-sm text-soft">
          until
          <input
            class="field !px-2 !text-ink"
            type="date"
            :aria-label="`${TECHNIQUE_WORDS[technique]} until`"
            :value="entryOf(technique)!.until ?? ''"
            @change="setUntil(technique, $event)"
          />
        </label>
      </template>
    </li>
  </ul>
</template>
