<script setup lang="ts">
import { SUPPLY_KINDS, type Supply } from '#core/catalog'
import { call } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'

const props = defineProps<{ supplies: readonly Supply[]; currency: string; disabled: boolean }>()
const { things, trouble, state, put: putThing } = useThings<Supply>(() => props.supplies)
const put = (supply: Supply) =>
  putThing(supply, () =>
    call('/api/shelf/supplies/:id', { method: 'put', params: { id: supply.id }, body: supply }),
  )
const named = ref('')
const MOST = 100_000
const WORDS = { 'single use': 'Used once', laundry: 'Washed', kept: 'Kept' } as const
const KINDS = SUPPLY_KINDS.map((kind) => ({ value: kind, words: WORDS[kind].toLowerCase() }))
function complain(says: string) {
  trouble.value = says
}
async function add() {
  if (
    await put({
      id: idFrom(named.value, new Set(things.value.map((supply) => supply.id))),
      name: named.value.trim(),
      kind: 'single use',
      pack: 1,
      packMinor: 0,
      stock: 0,
    })
  )
    named.value = ''
}
</script>

<template>
  <div class="overflow-y-auto flex-1">
    <p class="text-sm text-soft h-5 text-right" role="status">{{ state }}</p>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <section v-for="kind in SUPPLY_KINDS" :key="kind" class="mb-6">
      <h2 class="text-xl mb-1">{{ WORDS[kind] }}</h2>
      <table class="w-full">
        <thead>
          <tr class="text-left text-sm text-soft border-b border-line">
            <th class="font-normal py-1.5">Name</th>
            <th v-if="kind === 'single use'" class="font-normal w-32">In a pack</th>
            <th v-if="kind !== 'kept'" class="font-normal w-36">
              {{ kind === 'laundry' ? 'One wash' : 'A pack' }}, {{ currency }}
            </th>
            <th class="font-normal w-32">
              {{ kind === 'single use' ? 'Left' : 'There are' }}
            </th>
            <th class="font-normal w-36">Kind</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="supply in things.filter((one) => one.kind === kind)"
            :key="supply.id"
            class="border-b border-hair"
          >
            <td class="py-1.5">{{ supply.name }}</td>
            <td v-if="kind === 'single use'">
              <FieldFigure
                beside
                small
                whole
                :name="`${supply.name} in a pack`"
                :words="supply.name"
                :value="supply.pack"
                :least="1"
                :most="MOST"
                :disabled="disabled"
                @change="put({ ...supply, pack: $event })"
                @bad="complain"
              />
            </td>
            <td v-if="kind !== 'kept'">
              <FieldMoney
                beside
                :name="`Price of ${supply.name}`"
                :words="supply.name"
                :value="supply.packMinor"
                :currency="currency"
                :disabled="disabled"
                @change="put({ ...supply, packMinor: $event })"
                @bad="complain"
              />
            </td>
            <td>
              <FieldFigure
                beside
                small
                whole
                :name="`${supply.name} left`"
                :words="supply.name"
                :value="supply.stock"
                :most="MOST"
                :disabled="disabled"
                @change="put({ ...supply, stock: $event })"
                @bad="complain"
              />
            </td>
            <td>
              <FieldChoice
                beside
                small
                :name="`Kind of ${supply.name}`"
                :value="supply.kind"
                :options="KINDS"
                :disabled="disabled"
                @change="put({ ...supply, kind: $event })"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <form v-if="!disabled" class="flex items-end gap-3" @submit.prevent="add">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Another
        <input v-model="named" class="field !text-ink" required minlength="2" maxlength="120" />
      </label>
      <button type="submit" class="rung">Add</button>
    </form>
  </div>
</template>
