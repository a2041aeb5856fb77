<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { LEVER_WORDS } from '#core/protocol'
import { MOVE_CLASSES, MOVE_WORDS, type NextVisit } from '~/support/close/next-visit'
import { shortDate } from '~/support/time'

/** When the next visit may be, what the client is referred for, and where each lever stands then. */
const props = defineProps<{
  next: NextVisit
  refer: FittedPlan['refer']
  /** The card that follows in the course, by name. */
  following: string | undefined
}>()
const courseWords = computed(() => {
  const { course } = props.next
  if (!course) return ''
  const { visit, visits, isLast } = course
  const at = visits === 1 ? 'One visit of its course' : `Visit ${visit} of ${visits} of its course`
  if (!isLast) return `${at}.`
  return props.following ? `${at}; next: ${props.following}.` : `${at}: the course is complete.`
})
</script>

<template>
  <h2 class="text-xl border-b border-line pb-2">Next visit, {{ shortDate(next.usual) }}</h2>
  <p v-if="courseWords" class="pt-1">{{ courseWords }}</p>
  <p v-if="next.earliest < next.usual" class="text-sm text-soft pt-1">
    At the earliest {{ shortDate(next.earliest)
    }}<template v-if="next.latest">, at the latest {{ shortDate(next.latest) }}</template> (E01,
    E11)
  </p>
  <ReferLines :refer="refer" class="mt-3" />
  <div v-for="lever in next.climb" :key="lever.lever" class="py-2.5 border-b border-hair">
    <p class="flex justify-between">
      <span class="font-semibold first-letter:uppercase">
        {{ LEVER_WORDS[lever.lever] }}
      </span>
      <span :class="MOVE_CLASSES[lever.move]">
        {{ MOVE_WORDS[lever.move]
        }}<template v-if="lever.rung > 0"> · rung {{ lever.rung }}</template>
      </span>
    </p>
    <p class="text-sm text-soft">
      {{ lever.why }} <span class="whitespace-nowrap">({{ lever.ruleIds.join(', ') }})</span>
    </p>
    <p v-if="lever.ifCalm" class="text-sm"
      >Told calm a day or more after: up to rung {{ lever.ifCalm }}.</p
    >
  </div>
</template>
