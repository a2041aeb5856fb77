<script setup lang="ts">
import { getISODay, parseISO } from 'date-fns'
import { ROLE_WORDS, type HomeDay, type HomePlan } from '#core/homecare'
import { dateAfter, shortDate } from '~/support/time'

/** The evenings until the next visit, week by week: what is strong in each, and where the skin rests. */
const props = defineProps<{ plan: HomePlan; marks: ReadonlyMap<string, string> }>()
const WEEKDAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']
const weekday = (date: string) => getISODay(parseISO(date))
const byDate = computed(() => new Map(props.plan.days.map((day) => [day.date, day])))
/** Whole weeks from the visit's own to the last day shown. */
const weeks = computed(() => {
  const { on, days, next } = props.plan
  const monday = dateAfter(on, 1 - weekday(on))
  const last =
    next && next.on > (days.at(-1)?.date ?? on)
      ? dateAfter(days.at(-1)?.date ?? on, 1)
      : (days.at(-1)?.date ?? on)
  const rows: string[][] = []
  for (let at = monday; at <= last; at = dateAfter(at, 7))
    rows.push(WEEKDAYS.map((_, nth) => dateAfter(at, nth)))
  return rows
})
const strong = computed(() => props.plan.lines.filter(({ id }) => props.marks.has(id)))
const isVisit = (date: string) => date === props.plan.on || date === props.plan.next?.on
const markOf = (day: HomeDay | undefined) =>
  [day?.morning, day?.evening]
    .filter(Boolean)
    .map((id) => props.marks.get(id!))
    .join(' ')
function saidOf(date: string): string {
  if (date === props.plan.on) return 'this visit'
  if (date === props.plan.next?.on) return 'next visit'
  const day = byDate.value.get(date)
  if (day?.rests) return 'the skin rests'
  const ids = [day?.morning, day?.evening]
  const named = strong.value.filter(({ id }) => ids.includes(id)).map(({ name }) => name)
  return named.join(', ') || 'plain care'
}
const dayOfMonth = (date: string) =>
  date.endsWith('-01') ? shortDate(date).slice(0, -5) : String(Number(date.slice(8)))
</script>

<template>
  <section aria-label="Evenings">
    <h2 class="display text-2xl border-b border-line pb-1 mb-2">Evenings</h2>
    <table class="w-full table-fixed border-separate border-spacing-0.5">
      <thead>
        <tr>
          <th v-for="name in WEEKDAYS" :key="name" class="font-normal text-sm text-soft">{{
            name
          }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="week in weeks" :key="week[0]">
          <td
            v-for="date in week"
            :key="date"
            class="h-11 align-top px-1"
            :class="{
              'bg-raised': byDate.has(date) && !byDate.get(date)!.rests,
              'home-rests': byDate.get(date)?.rests,
              'bg-ink text-ground': isVisit(date),
              'bg-now-ground !text-now': markOf(byDate.get(date)),
            }"
          >
            <span class="sr-only">{{ shortDate(date) }}: {{ saidOf(date) }}</span>
            <span aria-hidden="true" class="flex justify-between leading-tight">
              <span class="text-xs" :class="!isVisit(date) && 'text-soft'">{{
                dayOfMonth(date)
              }}</span>
              <span class="font-semibold">{{ markOf(byDate.get(date)) }}</span>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="text-sm text-soft mt-1 flex flex-wrap gap-x-4">
      <span v-for="{ id, role, name } in strong" :key="id"
        ><span class="font-semibold text-now">{{ marks.get(id) }}</span>
        {{ name || ROLE_WORDS[role].name }}</span
      >
      <span><span class="inline-block w-4 h-3 home-rests align-middle" /> the skin rests</span>
      <span><span class="inline-block w-4 h-3 bg-ink align-middle" /> visit</span>
    </p>
  </section>
</template>

<style scoped>
.home-rests {
  background: repeating-linear-gradient(135deg, transparent 0 4px, var(--line-soft) 4px 6px);
}
</style>
