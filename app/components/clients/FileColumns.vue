<script setup lang="ts">
import {
  CLIENT_FIELDS,
  columnsMissing,
  type ClientField,
  type ClientTable,
  type ColumnMap,
} from '#core/csv'

/** What each column of the file holds, with its first lines beneath. */
const props = defineProps<{ table: ClientTable; columns: ColumnMap; monthFirst: boolean }>()
const emit = defineEmits<{ change: [columns: ColumnMap]; monthFirst: [is: boolean] }>()
const WORDS: Readonly<Record<ClientField, string>> = {
  name: 'Name',
  givenName: 'Given name',
  familyName: 'Family name',
  bornOn: 'Birthday',
  phone: 'Telephone',
  email: 'E-mail',
  address: 'Address',
}
const NONE = 'none'
const OPTIONS = [
  { value: NONE, words: 'left alone' },
  ...CLIENT_FIELDS.map((field) => ({ value: field as string, words: WORDS[field] })),
]
const SHOWN = 3
const missing = computed(() => columnsMissing(props.columns))
const set = (at: number, value: string) =>
  emit(
    'change',
    props.columns.map((field, index) => {
      if (index !== at) return field
      return value === NONE ? null : (value as ClientField)
    }),
  )
</script>

<template>
  <div class="overflow-x-auto pb-1" tabindex="0" role="region" aria-label="Columns of the file">
    <table>
      <thead>
        <tr>
          <th
            v-for="(title, at) in table.header"
            :key="at"
            class="pr-4 pb-1 text-left align-bottom font-normal"
          >
            <FieldChoice
              :label="title || `Column ${at + 1}`"
              small
              :value="columns[at] ?? NONE"
              :options="OPTIONS"
              @change="set(at, $event)"
            />
          </th>
        </tr>
      </thead>
      <tbody class="text-sm text-soft">
        <tr v-for="(line, row) in table.lines.slice(0, SHOWN)" :key="row">
          <td v-for="(_, at) in table.header" :key="at" class="pr-4 max-w-52 truncate" dir="auto">
            {{ line[at] }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-if="missing" class="text-mind font-semibold mt-2">{{ missing }}</p>
  <FieldTick :checked="monthFirst" @change="emit('monthFirst', $event)">
    Dates with strokes have the month first: 5/14/1988
  </FieldTick>
</template>
