<script setup lang="ts">
import { call, refusalOf, type Reply } from '~/support/api'
import { clockTime } from '~/support/time'
import type { DayVisit } from '~/support/today/board'

/** What matters of a visit before one opens the door to it. */
const props = defineProps<{
  visit: DayVisit
  name: string
  timeZone: string
  mayRead: boolean
  /** Others can see this screen. */
  hidden: boolean
  mayMove: boolean
}>()
const emit = defineEmits<{ open: []; show: []; move: [] }>()
type Brief = Reply<'/api/visits/:id/brief'>
const brief = ref<Brief>()
const trouble = ref('')
const isConfirming = ref(false)
const SIGNS: Readonly<Record<Brief['facts'][number]['sign'], string>> = {
  ...{ stop: '⊘', less: '↓', more: '+', mind: '!', ask: '?' },
}
const time = (at: string | Date) => clockTime(at, props.timeZone)
const AWAY = 'No connection: what matters stands in the visit itself.'
let asked = 0
async function load() {
  const mine = ++asked
  if (!props.mayRead || props.hidden) return
  try {
    const told = await call('/api/visits/:id/brief', { params: { id: props.visit.id } })
    if (mine !== asked) return
    brief.value = told
    trouble.value = ''
  } catch (error) {
    if (mine !== asked) return
    const { status, detail } = refusalOf(error)
    trouble.value = status === 0 ? AWAY : detail
  }
}
watch(
  // Moved, or fitted elsewhere, it is another object: what is shown stays until the new one is there.
  () => [props.visit, props.hidden] as const,
  ([{ id }], before) => {
    if (id !== before?.[0].id) brief.value = undefined
    void load()
  },
  { immediate: true },
)
</script>

<template>
  <section :aria-label="`${time(visit.startsAt)} ${name}`">
    <h2 class="text-2xl">{{ time(visit.startsAt) }} {{ name }}</h2>
    <p class="text-soft">{{ visit.protocol }} · {{ visit.room }} · {{ visit.practitioner }}</p>
    <p v-if="!mayRead" class="mt-3">Ask the practitioner.</p>
    <button v-else-if="hidden" type="button" class="rung w-full mt-3" @click="emit('show')">
      Show what matters, for a moment
    </button>
    <p v-else-if="trouble" role="alert" class="mt-3 text-mind">{{ trouble }}</p>
    <p v-else-if="!brief" class="mt-3 text-soft">Looking …</p>
    <template v-else>
      <ul class="mt-3 flex flex-col gap-1.5" aria-label="What matters today">
        <li v-for="fact in brief.facts" :key="fact.words" class="flex gap-3">
          <span
            class="w-5 text-center shrink-0 font-semibold"
            :class="fact.sign === 'stop' && 'text-mind'"
            aria-hidden="true"
          >
            {{ SIGNS[fact.sign] }}
          </span>
          <span :class="fact.sign === 'stop' && 'font-semibold'">{{ fact.words }}</span>
        </li>
        <li v-if="brief.facts.length === 0" class="text-soft">The card holds as written.</li>
        <li v-for="name_ in brief.short" :key="name_" class="flex gap-3">
          <span class="w-5 text-center shrink-0 text-mind" aria-hidden="true">◔</span>
          {{ name_ }} is short
        </li>
      </ul>
      <p v-for="note in brief.notes" :key="note" class="mt-3 text-now">For this time: {{ note }}</p>
      <p v-for="line in brief.manner" :key="line" class="text-soft">{{ line }}</p>
      <ul class="mt-3 flex flex-col gap-1" aria-label="At its time">
        <li v-for="one in brief.times" :key="`${String(one.at)}${one.words}`" class="flex gap-4">
          <span class="tabular-nums text-now font-semibold">{{ time(one.at) }}</span>
          {{ one.words }}
        </li>
        <li class="flex gap-4">
          <span class="tabular-nums text-now font-semibold">{{ time(brief.doneAt) }}</span>
          done, turnover to {{ time(brief.roomUntil) }}
        </li>
      </ul>
      <p v-if="!brief.isFitted" class="mt-2 text-sm text-soft">
        As it would be fitted now; it is kept when you fit it.
      </p>
    </template>
    <button
      v-if="mayRead && !hidden && (brief || trouble)"
      type="button"
      class="rung rung-strong w-full !min-h-[56px] text-lg mt-4"
      @click="emit('open')"
    >
      Open the visit
    </button>
    <div v-if="mayMove" class="grid grid-cols-2 gap-2 mt-2">
      <button type="button" class="rung !px-2" @click="emit('move')">Move or call off</button>
      <button type="button" class="rung !px-2" @click="isConfirming = true">Confirmation …</button>
    </div>
    <ConfirmDialog v-if="isConfirming" :visit-id="visit.id" @close="isConfirming = false" />
  </section>
</template>
