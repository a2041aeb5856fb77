<script setup lang="ts">
import type { Listed } from '#core/catalog'
import { chosenText } from '~/support/files'
import { minorDigits } from '#core/costing'

const props = defineProps<{ today: string; currency: string; known: readonly Listed[] }>()
const emit = defineEmits<{ close: []; taken: [] }>()
const FAULTS_SHOWN = 200
const { state, trouble, read, send, cancel, again } = useShelfImport(
  () => minorDigits(props.currency),
  () => props.today,
)
const name = ref('')
const found = computed(() => (state.value.stage === 'preview' ? state.value.read : undefined))
const ids = computed(() => new Set(props.known.map((product) => product.id)))
const fresh = computed(
  () => found.value?.rows.filter((row) => !ids.value.has(row.product.id)).length ?? 0,
)
const busy = computed(() => state.value.stage === 'reading' || state.value.stage === 'sending')
async function take(event: Event) {
  const chosen = await chosenText(event, { bytes: 20_000_000, what: 'a shelf file' })
  if (!chosen) return
  if ('trouble' in chosen) return void (trouble.value = chosen.trouble)
  name.value = chosen.name
  await read(chosen.text)
}
async function putIn() {
  if (found.value && (await send(found.value))) emit('taken')
}
</script>

<template>
  <PlainDialog open full title="Take a shelf file in" @close="busy ? undefined : emit('close')">
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">
      {{ trouble }} Nothing was taken in.
    </p>
    <template v-if="state.stage === 'choosing'">
      <p class="max-w-[46rem]">
        A CSV with a line for each product. Only <span class="font-semibold">name</span> and
        <span class="font-semibold">kind</span> are needed; the file you take out shows every other
        column. You see what is in it before anything is put on the shelf.
      </p>
      <div class="mt-4 flex gap-3">
        <label
          class="rung rung-strong cursor-pointer focus-within:outline focus-within:outline-3 focus-within:outline-now"
        >
          Choose the file<input type="file" accept=".csv,text/csv" class="sr-only" @change="take" />
        </label>
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
      </div>
    </template>
    <div v-else-if="state.stage === 'reading' || state.stage === 'sending'" class="py-6">
      <p class="display text-3xl tabular-nums" aria-live="polite">
        {{ state.stage === 'reading' ? 'Reading' : 'Sending' }} {{ state.done }} of
        {{ state.of }}
      </p>
      <progress
        class="w-full h-3 mt-3"
        :value="state.done"
        :max="Math.max(1, state.of)"
        :aria-label="state.stage === 'reading' ? 'Reading the file' : 'Sending the rows'"
      />
      <button
        v-if="state.stage === 'sending' && state.done < state.of"
        type="button"
        class="rung mt-4"
        @click="cancel"
      >
        Stop; take nothing in
      </button>
    </div>
    <template v-else-if="found">
      <div class="flex items-baseline gap-6 border-b border-line pb-2">
        <p>
          <span class="display text-3xl">{{ found.rows.length }}</span> good rows of
          {{ found.count }} in {{ name }}
        </p>
        <p class="text-soft">
          {{ fresh }} new, {{ found.rows.length - fresh }} over what is there
        </p>
        <p v-if="found.unknown.length" class="text-soft">
          Left alone: {{ found.unknown.join(', ') }}
        </p>
      </div>
      <div v-if="found.faults.length" class="mt-3">
        <p class="font-semibold text-mind">
          {{ found.faults.length }} {{ found.faults.length === 1 ? 'fault' : 'faults' }}. Mend the
          file and choose it again; until then nothing is taken in.
        </p>
        <div
          class="max-h-64 overflow-y-auto mt-1"
          tabindex="0"
          role="region"
          aria-label="Faults of the file"
        >
          <table class="w-full">
            <thead>
              <tr class="text-left text-sm text-soft">
                <th class="font-normal w-20">Row</th>
                <th class="font-normal w-40">Column</th>
                <th class="font-normal">What is wrong</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(fault, at) in found.faults.slice(0, FAULTS_SHOWN)"
                :key="at"
                class="border-t border-hair"
              >
                <td class="py-1.5">
                  {{ fault.row }}
                </td>
                <td>
                  {{ fault.column }}
                </td>
                <td>{{ fault.says }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </div>
      <div
        v-if="found.rows.length"
        class="max-h-72 overflow-y-auto mt-3"
        tabindex="0"
        role="region"
        aria-label="What is in the file"
      >
        <table class="w-full">
          <thead>
            <tr class="text-left text-sm text-soft">
              <th class="font-normal">Product</th>
              <th class="font-normal">Kind</th>
              <th class="font-normal">Actives</th>
              <th class="font-normal">Lot</th>
              <th class="font-normal text-right">Left</th>
              <th class="font-normal pl-4">On the shelf</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in found.rows.slice(0, 60)"
              :key="row.product.id"
              class="border-t border-hair"
            >
              <td class="py-1.5">
                {{ row.product.name }}
              </td>
              <td class="text-soft">
                {{ row.product.kind }}
              </td>
              <td>
                {{ row.product.actives.map((one) => `${one.name} ${one.percent} %`).join(', ') }}
              </td>
              <td>
                {{ row.batch?.lot }}
              </td>
              <td class="text-right">
                {{ row.batch?.left }}
              </td>
              <td class="pl-4 text-soft">{{
                ids.has(row.product.id) ? 'there, written over' : 'new'
              }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="found.rows.length > 60" class="py-2 text-soft">
          and {{ found.rows.length - 60 }} more
        </p>
      </div>
      <div class="mt-4 flex gap-3 justify-end">
        <button type="button" class="rung" @click="again">Another file</button>
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button
          type="button"
          class="rung rung-strong"
          v-off="
            (found.faults.length > 0 && 'Mend what is marked in the file first.') ||
            (found.rows.length === 0 && 'There is nothing in the file.')
          "
          @click="putIn"
        >
          Put {{ found.rows.length }} on the shelf
        </button>
      </div>
    </template>
    <template v-else-if="state.stage === 'done'">
      <p class="text-lg" role="status">
        <span class="text-calm font-semibold"
          >✓ {{ state.added }} new, {{ state.changed }} changed.</span
        >
        The shelf shows them now.
      </p>
      <div class="flex justify-end mt-4">
        <button type="button" class="rung rung-strong" @click="emit('close')">Close</button>
      </div>
    </template>
  </PlainDialog>
</template>
