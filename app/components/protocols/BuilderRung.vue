<script setup lang="ts">
import { AlertTriangle, GripVertical } from 'lucide-vue-next'
import type { Sketch } from '#core/adapt'
import type { Step } from '#core/protocol'
import { stepHints } from '~/ladder/hints'
import { halfMinutes } from '~/support/time'

/** One rung in the builder: its name, what it depends on, what is wrong with it, and how long it is. */
const props = defineProps<{
  step: Step
  seconds: number
  findings: Sketch['findings']
  isWithoutHost: boolean
}>()
const hints = computed(() => stepHints(props.step))
const isWrong = computed(() => props.findings.some(({ level }) => level === 'wrong'))
const findingWords = computed(() => props.findings.map(({ says }) => says).join(' '))
const length = computed(() => (props.seconds > 0 ? halfMinutes(props.seconds) : '–'))
</script>

<template>
  <span
    class="grip h-full w-7 grid place-items-center cursor-grab text-soft touch-none"
    aria-hidden="true"
  >
    <GripVertical :size="16" />
  </span>
  <span class="truncate" :class="step.essential ? 'font-semibold' : ''">
    <span v-if="step.floating" class="text-soft">↳ </span>{{ step.title }}
  </span>
  <span v-if="hints" class="text-sm text-soft whitespace-nowrap shrink-0">{{ hints }}</span>
  <span v-if="isWithoutHost" class="text-sm text-mind whitespace-nowrap shrink-0"
    >hangs nowhere</span
  >
  <span class="ml-auto shrink-0 flex items-center gap-2">
    <AlertTriangle
      v-if="findings.length > 0"
      :size="17"
      :class="isWrong ? 'text-mind' : 'text-soft'"
      role="img"
      :aria-label="findingWords"
    />
    <span class="text-soft w-14 text-right">{{ length }}</span>
  </span>
</template>
