<script setup lang="ts">
/** Once, or several times in a row so many weeks apart: all of them are booked, or none. */
const count = defineModel<number>('count', { required: true })
const weeks = defineModel<number>('weeks', { required: true })
const props = defineProps<{ counts: readonly number[]; every: readonly number[] }>()
const COUNTS = props.counts.map((n) => ({
  value: String(n),
  words: n === 1 ? 'once' : `${n} times`,
}))
const EVERY = props.every.map((n) => ({
  value: String(n),
  words: n === 1 ? 'every week' : `every ${n} weeks`,
}))
</script>

<template>
  <div class="flex flex-col gap-1">
    <FieldChoice
      plain
      label="How often"
      :value="String(count)"
      :options="COUNTS"
      @change="count = Number($event)"
    />
    <FieldChoice
      v-if="count > 1"
      name="How far apart"
      :value="String(weeks)"
      :options="EVERY"
      @change="weeks = Number($event)"
    />
  </div>
</template>
