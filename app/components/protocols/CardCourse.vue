<script setup lang="ts">
import { courseInWords, type ShortRhythm } from '#core/climb'
import type { Course } from '#core/protocol'
import { LONGEST_APART, MOST_VISITS, withApart, withNext, withVisits } from '~/ladder/course-fields'

/** The rhythm of a card: how many visits, how far apart, and what comes after the last. */
const props = defineProps<{
  course: Course | null
  rhythm: ShortRhythm | undefined
  others: readonly { readonly id: string; readonly name: string }[]
}>()
const emit = defineEmits<{ change: [course: Course | null] }>()
const USUAL: Course = { visits: 4, leastDays: 28, mostDays: 35 }
const NONE = ''
const choices = computed(() => [
  { value: NONE, words: 'no other card' },
  ...props.others.map(({ id, name }) => ({ value: id, words: name })),
])
const begin = (begun: boolean) => emit('change', begun ? USUAL : null)
</script>

<template>
  <div>
    <p class="text-sm text-soft mb-2">
      A card may be meant as a course. The next-visit window at Close keeps to it; days that the
      work itself needs come first.
    </p>
    <FieldTick :checked="course !== null" @change="begin">given as a course</FieldTick>
    <template v-if="course">
      <div class="grid grid-cols-3 gap-2 mt-3">
        <FieldNumber
          label="Visits"
          :value="course.visits"
          :min="1"
          :max="MOST_VISITS"
          @change="emit('change', withVisits(course, $event))"
        />
        <FieldNumber
          label="Days apart, least"
          :value="course.leastDays"
          :min="1"
          :max="LONGEST_APART"
          @change="emit('change', withApart(course, { leastDays: $event }))"
        />
        <FieldNumber
          label="Days apart, most"
          :value="course.mostDays"
          :min="1"
          :max="LONGEST_APART"
          @change="emit('change', withApart(course, { mostDays: $event }))"
        />
      </div>
      <FieldChoice
        class="mt-3"
        label="After the last visit"
        grows
        :value="course.next ?? NONE"
        :options="choices"
        @change="emit('change', withNext(course, $event))"
      />
      <p class="mt-3 text-sm">{{ courseInWords(course) }}.</p>
      <div v-if="rhythm" role="status" class="mt-3 border-l-4 border-mind bg-mind-ground px-3 py-2">
        <p>
          <span class="text-mind font-semibold" aria-hidden="true">✕</span> {{ rhythm.says }}
          <span class="text-soft">(E01)</span>
        </p>
        <button
          type="button"
          class="pick text-sm mt-2"
          @click="emit('change', withApart(course, { leastDays: rhythm.leastDays }))"
        >
          {{ rhythm.fix }}
        </button>
      </div>
    </template>
  </div>
</template>
