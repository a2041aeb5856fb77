<script setup lang="ts">
import type { Fact } from '#core/client'
import type { VisitData } from '~/stores/visit-data'
import type { Aside } from '~/support/outbox-db'
import { askedName } from '~/support/record'
import { SIDE_WORDS, sidesOf } from '~/support/sides'
import { clockTime } from '~/support/time'

/** What was said here and changed elsewhere meanwhile, side by side: somebody says which stands. */
const props = defineProps<{ data: VisitData }>()
const store = useVisitStore()
const outbox = useOutboxStore()
const { said } = useMeasures()
const { conflicts } = useConflicts(() => props.data.visit.id)
/** Of each thing what was said last; what came before it goes with it. */
const rows = computed(() =>
  [...Map.groupBy(conflicts.value, ({ path }) => path).values()].flatMap((changes) => {
    const change = changes.at(-1)!
    const sides = sidesOf(change, props.data)
    return sides ? [{ change, changes, ...sides }] : []
  }),
)
const at = (instant: string) => clockTime(instant, props.data.visit.timeZone)
const disputes = computed(() =>
  props.data.disputes.map(({ code, sides }) => ({
    code,
    name: askedName(code),
    sides: sides.map((side) => ({ ...side, words: SIDE_WORDS[side.answer] })),
  })),
)
async function theirs(changes: readonly Aside[]) {
  for (const { seq } of changes) await outbox.seen(seq)
}
async function mine(changes: readonly Aside[]) {
  const refusal = await outbox.again(changes.at(-1)!)
  await theirs(changes.slice(0, -1))
  await store.load(props.data.visit.id)
  if (refusal) store.trouble = refusal.detail
}
/** Asked again: the answer as one of the two had it, with today's date. */
async function decide(code: string, answer: Fact['answer']) {
  const { client, date } = props.data.input
  // The last one says that they differ.
  const told = client.facts
    .filter((fact) => fact.code === code)
    .slice(0, -1)
    .findLast((fact) => fact.answer === answer)
  const saved = await store.answer([{ code, answer, ...told, askedOn: date }])
  if (saved) await store.load(props.data.visit.id)
}
</script>

<template>
  <section
    v-if="rows.length > 0 || disputes.length > 0"
    role="alert"
    aria-label="Said differently on two tablets"
    class="mb-4 border-l-4 border-mind bg-mind-ground px-4 pt-3 pb-1"
  >
    <h2 class="text-lg font-semibold text-mind">Said differently on two tablets</h2>
    <div
      v-for="{ code, name, sides } in disputes"
      :key="code"
      class="py-3 border-t border-hair first-of-type:border-0"
    >
      <p>
        <span class="font-semibold">{{ name }}</span>
        <span class="text-soft"> · not known until it is asked again</span>
      </p>
      <div class="grid sm:grid-cols-2 gap-x-6 gap-y-2 mt-2">
        <button
          v-for="side in sides"
          :key="side.answer"
          v-off="store.locked && 'This visit is signed: it stays as it is.'"
          type="button"
          class="rung w-full justify-between"
          @click="decide(code, side.answer)"
        >
          <span class="font-semibold">{{ side.words }}</span>
          <span class="text-soft text-sm">{{ side.by }}, {{ at(side.at) }}</span>
        </button>
      </div>
    </div>
    <div v-for="row in rows" :key="row.change.seq" class="py-3 border-t border-hair">
      <p class="font-semibold">{{ row.what }}</p>
      <div class="grid sm:grid-cols-2 gap-x-6 gap-y-3 mt-2">
        <div class="flex flex-col gap-2">
          <p class="flex-1"> <span class="text-soft">Said here:</span> {{ said(row.here) }} </p>
          <button type="button" class="rung w-full" @click="mine(row.changes)">
            What was said here stands
          </button>
        </div>
        <div class="flex flex-col gap-2">
          <p class="flex-1"> <span class="text-soft">Elsewhere:</span> {{ said(row.there) }} </p>
          <button type="button" class="rung w-full" @click="theirs(row.changes)">
            What stands elsewhere stays
          </button>
        </div>
      </div>
    </div>
  </section>
</template>
