<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { heldCodes, isHeldBack, notKnownOf } from '~/support/fit/held-back'
import { openGroups } from '~/support/consult/consult'

/** What nobody has asked yet, in one line, and what is held back until then. */
const props = defineProps<{ plan: FittedPlan; /** Where it is asked. */ to?: string }>()
const GROUPS_MOST = 4
const HELD_MOST = 2
function firstOf(words: readonly string[], most: number): string {
  const more = words.length - most
  return [...words.slice(0, most), ...(more > 0 ? [`${more} more`] : [])].join(' · ')
}
const store = useVisitStore()
const { needed, facts } = useAskedGroups()
const names = computed(() =>
  store.data
    ? openGroups(facts.value, store.data.input.date, {
        ...needed.value,
        codes: new Set([...needed.value.codes, ...heldCodes(props.plan, facts.value)]),
      })
    : [],
)
const notKnown = computed(() => notKnownOf(props.plan, facts.value))
const named = computed(() => firstOf(names.value, GROUPS_MOST))
const held = computed(() => props.plan.changes.filter((change) => isHeldBack(change, facts.value)))
const heldWords = computed(() =>
  firstOf(
    held.value.map(({ what }) => what),
    HELD_MOST,
  ),
)
</script>

<template>
  <div
    v-if="names.length > 0 || notKnown.length > 0"
    class="border-l-4 border-now bg-now-ground px-4 py-2"
    role="note"
    aria-label="Not asked yet"
  >
    <template v-if="names.length > 0"
      ><span class="font-semibold">Ask first: </span>{{ named }}</template
    >
    <span v-if="notKnown.length > 0" class="block">
      <span class="font-semibold">Not today without an answer: </span>{{ notKnown.join(' · ') }}
    </span>
    <NuxtLink v-if="to" class="text-link ml-1" :to="to">Ask</NuxtLink>
    <span v-if="heldWords" class="block text-sm text-soft">Held back: {{ heldWords }}</span>
  </div>
</template>
