<script setup lang="ts">
import { chosenText } from '~/support/files'

const props = defineProps<{ today: string }>()
const emit = defineEmits<{ close: []; taken: [] }>()
const { state, file, columns, monthFirst, trouble, open, read, send, cancel } = useClientFile(
  () => props.today,
)
const withoutFaults = ref(false)
const found = computed(() => (state.value.stage === 'preview' ? state.value.read : undefined))
const busy = computed(() => state.value.stage === 'reading' || state.value.stage === 'sending')
const isWhole = computed(
  () => found.value !== undefined && (found.value.faults.length === 0 || withoutFaults.value),
)
async function take(event: Event) {
  const chosen = await chosenText(event, { bytes: 40_000_000, what: 'a file of clients' })
  if (!chosen) return
  if ('trouble' in chosen) return void (trouble.value = chosen.trouble)
  withoutFaults.value = false
  await open(chosen.text)
}
function setColumns(next: typeof columns.value) {
  columns.value = next
  return read()
}
function setMonthFirst(is: boolean) {
  monthFirst.value = is
  return read()
}
</script>

<template>
  <PlainDialog
    open
    full
    title="Take clients in from a file"
    @close="busy ? undefined : emit('close')"
  >
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">
      {{ trouble }} Nothing was taken in.
    </p>
    <template v-if="state.stage === 'choosing'">
      <p class="max-w-[46rem]">
        A table (CSV) with a line for each client, or vCards (3.0 or 4.0). A name and a birthday are
        needed. You see what is in it before anybody is taken in; who is here already, under the
        same name and birthday, stays as they are.
      </p>
      <div class="mt-4 flex gap-3">
        <label
          class="rung rung-strong cursor-pointer focus-within:outline focus-within:outline-3 focus-within:outline-now"
        >
          Choose the file<input
            type="file"
            accept=".csv,.vcf,text/csv,text/vcard"
            class="sr-only"
            @change="take"
          />
        </label>
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
      </div>
    </template>
    <div v-else-if="state.stage === 'reading' || state.stage === 'sending'" class="py-6">
      <p class="display text-3xl tabular-nums" aria-live="polite">
        {{ state.stage === 'reading' ? 'Reading' : 'Sending' }} {{ state.done }} of {{ state.of }}
      </p>
      <progress
        class="w-full h-3 mt-3"
        :value="state.done"
        :max="Math.max(1, state.of)"
        aria-label="How far it is"
      />
      <button v-if="state.stage === 'sending'" type="button" class="rung mt-4" @click="cancel">
        Stop; take nobody in
      </button>
    </div>
    <template v-else-if="state.stage === 'preview'">
      <FileColumns
        v-if="file && !file.isVcard"
        :table="file.table"
        :columns="columns"
        :month-first="monthFirst"
        @change="setColumns"
        @month-first="setMonthFirst"
      />
      <FilePreview v-if="found" :read="found" />
      <div class="mt-4 flex gap-3 justify-end items-center">
        <FieldTick
          v-if="found && found.faults.length > 0"
          class="mr-auto"
          :checked="withoutFaults"
          @change="withoutFaults = $event"
        >
          Leave out the {{ found.faults.length }} with a fault
        </FieldTick>
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button
          type="button"
          class="rung rung-strong"
          v-off="
            (!isWhole && 'Leave out what has a fault, or mend it in the file.') ||
            (found?.rows.length === 0 && 'There is nothing in the file.')
          "
          @click="send(found!)"
        >
          Take {{ found?.rows.length ?? 0 }} in
        </button>
      </div>
    </template>
    <template v-else-if="state.stage === 'done'">
      <p class="text-lg" role="status">
        <span class="text-calm font-semibold">✓ {{ state.added }} new.</span>
        {{ state.known }} were here already and stay as they are.
      </p>
      <div class="flex justify-end mt-4">
        <button type="button" class="rung rung-strong" @click="emit('taken')">Close</button>
      </div>
    </template>
  </PlainDialog>
</template>
