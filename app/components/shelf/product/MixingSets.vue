<script setup lang="ts">
import type { Mixing } from '#core/catalog'
import { settingAt } from '#core/mixing'
import { durationInWords } from '#core/quantity'
import {
  setsBy,
  setsRows,
  withSetsRow,
  withSetsRowChanged,
  type SetsKind,
} from '~/support/shelf/mixing-fields'

/** Whether and when a mix sets: as alginate does, or by its maker’s table; and what that means at every temperature. */
const props = defineProps<{ sets: Mixing['sets'] }>()
const emit = defineEmits<{ change: [sets: Mixing['sets']]; bad: [says: string] }>()
const MOST_ROWS = 12
const KINDS: readonly { value: SetsKind; words: string }[] = [
  { value: '', words: 'no' },
  { value: 'alginate', words: 'as alginate does' },
  { value: 'table', words: 'by its maker’s table' },
]
const FIELDS = { workingS: 's to work', setsS: 's to set' } as const
const SHOWN_CELSIUS = [15, 18, 20, 22, 24, 26, 28, 30]
const rows = computed(() => setsRows(props.sets))
const curve = computed(() =>
  SHOWN_CELSIUS.map((celsius) => ({ celsius, times: settingAt(props.sets, celsius) })),
)
function putRow(at: number, key: 'celsius' | keyof typeof FIELDS, value: number) {
  if (props.sets) emit('change', withSetsRowChanged(props.sets, at, { [key]: value }))
}
const { amountOf } = useMeasures()
</script>

<template>
  <div class="flex flex-wrap items-end gap-3">
    <FieldChoice
      label="It sets"
      :value="sets?.by ?? ''"
      :options="KINDS"
      @change="emit('change', setsBy($event))"
    />
    <div v-for="(row, at) in rows" :key="at" class="flex items-end gap-2">
      <FieldHeat
        class="w-20"
        label=""
        words="Water"
        :value="row.celsius"
        :least="0"
        :most="60"
        @change="putRow(at, 'celsius', $event)"
        @bad="emit('bad', $event)"
      />
      <FieldFigure
        v-for="(words, key) in FIELDS"
        :key="key"
        class="w-20"
        whole
        :label="words"
        :value="row[key]"
        :least="0"
        :most="7200"
        @change="putRow(at, key, $event)"
        @bad="emit('bad', $event)"
      />
    </div>
    <button
      v-if="sets?.by === 'table' && rows.length < MOST_ROWS"
      type="button"
      class="pick"
      @click="emit('change', withSetsRow(rows))"
    >
      Another row
    </button>
  </div>
  <p v-if="sets" class="text-sm text-soft flex flex-wrap gap-x-4">
    <span v-for="point in curve" :key="point.celsius">
      {{ amountOf(point.celsius, '°C') }}:
      <span class="text-ink">{{ durationInWords(point.times!.workingS) }}</span>
    </span>
  </p>
</template>
