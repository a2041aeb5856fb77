<script setup lang="ts">
import { findingWords, ZONE_GROUPS, type FindingKind, type ZoneId } from '#core/skin'
import { shortDate } from '~/support/time'

/** What is painted, at which grade, on whole groups of zones at once; and whether the last visit lies under it. */
const props = defineProps<{ kind: FindingKind; lastOn: string | undefined; disabled: boolean }>()
const emit = defineEmits<{ paint: [zones: readonly ZoneId[]] }>()
const grade = defineModel<number>('grade', { required: true })
const under = defineModel<boolean>('under', { required: true })
const OFFERED: readonly string[] = [
  'face',
  't-zone',
  'cheeks',
  'nose',
  'forehead',
  'eye-contour',
  'neck',
]
const GROUPS = ZONE_GROUPS.filter(({ id }) => OFFERED.includes(id))
const GRADES = [1, 2, 3, 4].map((value) => ({ value, words: String(value) }))
const words = computed(() => findingWords(props.kind))
const withoutYear = (date: string) => shortDate(date).replace(/ \d{4}$/, '')
</script>

<template>
  <div class="border-t border-line pt-2 mt-1 flex items-center gap-3 min-h-[52px]">
    <p class="flex-1 leading-tight">
      <span class="font-semibold">
        {{ words.name }}
      </span>
      <span class="block text-sm text-soft">{{ words.look }}</span>
    </p>
    <RadioPicks
      v-if="!words.ungraded"
      class="grade-picks"
      label="Grade"
      :value="grade"
      :options="GRADES"
      @change="grade = $event"
    />
  </div>
  <div class="flex flex-wrap gap-1 pt-2" role="group" aria-label="Paint a whole group">
    <button
      v-for="group in GROUPS"
      :key="group.id"
      type="button"
      class="pick text-sm !px-2"
      :disabled="disabled"
      @click="emit('paint', group.zones)"
    >
      {{ group.name }}
    </button>
    <button
      type="button"
      class="pick text-sm !px-2"
      :disabled="disabled"
      @click="emit('paint', words.usualZones)"
    >
      usual places
    </button>
    <button
      v-if="lastOn"
      type="button"
      class="pick text-sm !px-2 ml-auto"
      :aria-pressed="under"
      :aria-label="`Last visit under, ${shortDate(lastOn)}`"
      @click="under = !under"
    >
      {{ withoutYear(lastOn) }} under
    </button>
  </div>
</template>
