<script setup lang="ts">
import { X } from 'lucide-vue-next'
import type { ClosedDay } from '#core/salon/model'
import { dayInWords } from '~/support/time'

/** Days on which nobody is there, whatever the weekday. */
const props = defineProps<{ days: readonly ClosedDay[] }>()
const emit = defineEmits<{ change: [days: ClosedDay[]] }>()
const day = ref('')
const reason = ref('')

function add() {
  if (!day.value) return
  const others = props.days.filter((other) => other.day !== day.value)
  const next = [...others, { day: day.value, reason: reason.value.trim() }]
  emit(
    'change',
    next.sort((a, b) => a.day.localeCompare(b.day)),
  )
  day.value = ''
  reason.value = ''
}
const drop = (gone: ClosedDay) =>
  emit(
    'change',
    props.days.filter((other) => other.day !== gone.day),
  )
</script>

<template>
  <div class="flex flex-col gap-2">
    <ul v-if="days.length > 0">
      <li
        v-for="closed in days"
        :key="closed.day"
        class="flex items-center gap-3 border-b border-hair"
      >
        <span class="w-64">{{ dayInWords(closed.day) }}</span>
        <span class="text-soft flex-1">{{ closed.reason }}</span>
        <button
          type="button"
          class="pick grid place-items-center !px-0"
          :aria-label="`Open on ${dayInWords(closed.day)} after all`"
          @click="drop(closed)"
        >
          <X :size="18" />
        </button>
      </li>
    </ul>
    <div class="flex gap-2 items-end flex-wrap">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Closed on
        <input v-model="day" class="field !text-ink" type="date" />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft flex-1 min-w-40">
        Why, if you like
        <input
          v-model="reason"
          class="field !text-ink"
          maxlength="120"
          @keydown.enter.prevent="add"
        />
      </label>
      <button type="button" class="rung" v-off="!day && 'Choose the day first.'" @click="add"
        >Add the day</button
      >
    </div>
  </div>
</template>
