<script setup lang="ts">
import { isUrgent } from '#core/costing'
import { call, type Reply } from '~/support/api'
import { money } from '~/support/money'
import { dateAfter, shortDate } from '~/support/time'

defineProps<{ currency: string }>()
const CHOICES = [2, 4, 8, 12] as const
const weeks = ref<number>(8)
const reply = shallowRef<Reply<'/api/shelf/forecast'>>()
const { trouble, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    reply.value = await call('/api/shelf/forecast', {
      query: { weeks: String(weeks.value) },
    })
  })
watch(weeks, load, { immediate: true })
const total = computed(
  () => reply.value?.orders.reduce((sum, line) => sum + line.priceMinor, 0) ?? 0,
)
const rows = computed(() =>
  [...(reply.value?.products ?? [])].sort(
    (a, b) =>
      (a.runsOutOn ?? '9').localeCompare(b.runsOutOn ?? '9') ||
      b.booked / Math.max(0.1, b.usableNow) - a.booked / Math.max(0.1, a.usableNow),
  ),
)
const { amountOf } = useMeasures()
const list = computed(() =>
  (reply.value?.orders ?? [])
    .map((line) => `${line.packs} × ${line.name}, ${amountOf(line.packAmount, line.unit)}`)
    .join('\n'),
)
const copied = ref('')
async function copy() {
  await navigator.clipboard.writeText(list.value)
  copied.value = 'Copied'
}
const print = () => window.print()
</script>

<template>
  <div class="overflow-y-auto flex-1">
    <div class="flex items-center gap-4 mb-4 no-print">
      <div role="radiogroup" aria-label="Weeks ahead" class="flex gap-1">
        <button
          v-for="choice in CHOICES"
          :key="choice"
          type="button"
          role="radio"
          class="pick"
          :aria-checked="weeks === choice"
          @click="weeks = choice"
        >
          {{ choice }} weeks
        </button>
      </div>
      <p v-if="reply" class="text-soft">
        {{ reply.visits }} visits booked until {{ shortDate(reply.until) }}
      </p>
    </div>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <p v-if="!reply && !trouble" class="text-soft">Adding up …</p>
    <template v-if="reply">
      <section class="mb-7" aria-label="Order list">
        <div class="flex items-baseline gap-4 border-b border-line pb-1">
          <h2 class="text-xl flex-1">To order</h2>
          <template v-if="reply.orders.length">
            <span role="status" class="text-sm text-calm">
              {{ copied }}
            </span>
            <button type="button" class="pick text-sm no-print" @click="copy">
              Copy the list
            </button>
            <button type="button" class="pick text-sm no-print" @click="print">Print</button>
          </template>
        </div>
        <p v-if="reply.orders.length === 0" class="py-3 text-soft">
          Nothing. What is booked until {{ shortDate(reply.until) }} is on the shelf.
        </p>
        <table v-else class="w-full">
          <tbody>
            <tr v-for="line in reply.orders" :key="line.productId" class="border-b border-hair">
              <td class="py-2.5 w-16 display text-2xl">{{ line.packs }} ×</td>
              <td>
                <NuxtLink class="text-lg" :to="`/shelf/${line.productId}`">
                  {{ line.name }}
                </NuxtLink>
                <span class="text-soft ml-2">{{ amountOf(line.packAmount, line.unit) }}</span>
              </td>
              <td :class="isUrgent(line, reply.today) ? 'text-mind font-semibold' : 'text-soft'">
                {{ isUrgent(line, reply.today) ? '! ' : '' }}short on {{ shortDate(line.by) }}
              </td>
              <td class="text-right">{{
                line.priceMinor ? money(line.priceMinor, currency) : 'no price'
              }}</td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <td colspan="3" class="pt-2 text-right text-soft">Together</td>
              <td class="pt-2 text-right font-semibold">{{ money(total, currency) }}</td>
            </tr>
          </tfoot>
        </table>
      </section>
      <section aria-label="What the booked weeks take">
        <h2 class="text-xl border-b border-line pb-1">What the booked weeks take</h2>
        <table class="w-full">
          <thead>
            <tr class="text-left text-sm text-soft">
              <th class="font-normal py-1.5">Product</th>
              <th class="font-normal">Booked of what is there</th>
              <th class="font-normal text-right">Booked</th>
              <th class="font-normal text-right">There</th>
              <th class="font-normal pl-6">Then</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.productId" class="border-t border-hair">
              <td class="py-2 w-64">
                {{ row.name }}
              </td>
              <td class="w-72">
                <svg width="260" height="14" aria-hidden="true">
                  <rect width="260" height="12" y="1" fill="none" stroke="var(--line)" />
                  <rect
                    x="1.5"
                    y="2.5"
                    height="9"
                    :width="257 * Math.min(1, row.booked / Math.max(0.001, row.usableNow))"
                    :fill="row.short > 0 ? 'var(--mind)' : 'var(--hands)'"
                  />
                </svg>
              </td>
              <td class="text-right whitespace-nowrap">
                {{ amountOf(row.booked, row.unit) }}
              </td>
              <td class="text-right whitespace-nowrap text-soft">
                {{ amountOf(row.usableNow, row.unit) }}
              </td>
              <td class="pl-6">
                <span v-if="row.runsOutOn" class="text-mind font-semibold"
                  >⊘ short by {{ amountOf(row.short, row.unit) }} on
                  {{ shortDate(row.runsOutOn) }}
                </span>
                <span
                  v-else-if="row.openUntil && row.openUntil <= dateAfter(reply.today, 30)"
                  class="text-now font-semibold"
                  >◷ the open one ends {{ shortDate(row.openUntil) }}
                </span>
                <span v-else-if="row.wasted > 0" class="text-soft">
                  {{ amountOf(row.wasted, row.unit) }} past its time by then</span
                >
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>
