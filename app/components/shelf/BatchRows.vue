<script setup lang="ts">
import { unitOf, usableOn, type Batch, type Product } from '#core/catalog'
import { figure } from '~/support/shelf/shelf'
import { takeNumber, textOf as text } from '~/support/typed'
import { shortDate } from '~/support/time'

const props = defineProps<{
  product: Product
  batches: readonly Batch[]
  current: string | undefined
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{
  put: [batch: Batch, reason: 'count' | 'received' | 'discarded']
  bad: [says: string]
}>()
const unit = computed(() => unitOf(props.product))
const good = (batch: Batch) => usableOn(batch, props.product.afterOpeningMonths, props.today)
const shown = computed(() =>
  [...props.batches]
    .filter((batch) => batch.left > 0)
    .sort(
      (a, b) =>
        Number(b.id === props.current) - Number(a.id === props.current) ||
        a.receivedOn.localeCompare(b.receivedOn),
    ),
)
const undoing = ref<Batch>()
const count = (batch: Batch, event: Event) =>
  takeNumber(
    event,
    'Left',
    (says) => emit('bad', says),
    (left) => left !== undefined && emit('put', { ...batch, left }, 'count'),
  )
function discard(batch: Batch) {
  undoing.value = batch
  emit('put', { ...batch, left: 0 }, 'discarded')
}
function undo() {
  if (undoing.value) emit('put', undoing.value, 'count')
  undoing.value = undefined
}
const session = useSessionStore()
/** The lot of which it is asked who had it; empty: one is typed. */
const traced = ref<string>()
const receive = () =>
  emit(
    'put',
    {
      id: `${props.product.id.slice(0, 50)}-${crypto.randomUUID().slice(0, 8)}`,
      lot: '',
      receivedOn: props.today,
      left: props.product.pack?.amount ?? 1,
    },
    'received',
  )
</script>

<template>
  <section aria-label="Batches">
    <div class="flex items-baseline gap-3 border-b border-line pb-1">
      <h2 class="text-xl flex-1">Batches</h2>
      <button
        v-if="session.can('health.read')"
        type="button"
        class="pick !min-h-[36px] text-sm whitespace-nowrap"
        @click="traced = ''"
      >
        Trace a lot
      </button>
      <button
        v-if="!disabled"
        type="button"
        class="pick !min-h-[36px] text-sm whitespace-nowrap"
        @click="receive"
      >
        A pack came
      </button>
    </div>
    <p v-if="shown.length === 0" class="py-2 text-mind font-semibold">⊘ none left</p>
    <fieldset
      v-for="batch in shown"
      :key="batch.id"
      :disabled="disabled"
      class="border-b border-hair py-2"
      :aria-label="`Batch ${batch.lot || 'without a lot'}`"
    >
      <p class="flex items-baseline gap-2">
        <span v-if="batch.id === current" class="text-now font-semibold">▸ in use</span>
        <span v-else-if="!good(batch)" class="text-mind font-semibold"
          >✕ past its time, not used</span
        >
        <span v-else class="text-soft">next</span>
        <span class="ml-auto text-sm text-soft">came {{ shortDate(batch.receivedOn) }}</span>
      </p>
      <div class="grid grid-cols-2 gap-2 mt-1">
        <label class="text-sm text-soft"
          >Lot<input
            class="field !min-h-[36px] w-full !text-ink"
            v-shown="batch.lot"
            maxlength="60"
            @change="emit('put', { ...batch, lot: text($event) }, 'count')"
          />
        </label>
        <label class="text-sm text-soft"
          >Left, {{ unit
          }}<input
            class="field !min-h-[36px] w-full !text-ink"
            inputmode="decimal"
            v-shown="figure(batch.left)"
            @change="count(batch, $event)"
          />
        </label>
        <label class="text-sm text-soft"
          >Use by<input
            type="date"
            class="field !min-h-[36px] w-full !text-ink"
            v-shown="batch.bestBefore ?? ''"
            @change="emit('put', { ...batch, bestBefore: text($event) || undefined }, 'count')"
          />
        </label>
        <label class="text-sm text-soft"
          >Opened<input
            type="date"
            class="field !min-h-[36px] w-full !text-ink"
            v-shown="batch.openedOn ?? ''"
            :max="today"
            @change="emit('put', { ...batch, openedOn: text($event) || undefined }, 'count')"
          />
        </label>
      </div>
      <div class="flex gap-2 mt-2">
        <button
          v-if="!batch.openedOn"
          type="button"
          class="pick !min-h-[36px] text-sm"
          @click="emit('put', { ...batch, openedOn: today }, 'count')"
        >
          Opened today
        </button>
        <button type="button" class="pick !min-h-[36px] text-sm" @click="discard(batch)">
          Throw away
        </button>
        <button
          v-if="batch.lot && session.can('health.read')"
          type="button"
          class="pick !min-h-[36px] text-sm"
          @click="traced = batch.lot"
        >
          Who had it
        </button>
      </div>
    </fieldset>
    <p v-if="undoing" class="py-2 text-calm flex items-center gap-3" role="status">
      Thrown away: lot {{ undoing.lot || '–' }}.
      <button type="button" class="pick !min-h-[36px]" @click="undo">Undo</button>
    </p>
    <LotTrace v-if="traced !== undefined" :lot="traced" @close="traced = undefined" />
  </section>
</template>
