<script setup lang="ts">
import { minutesSeconds } from '~/support/time'

/** Seconds left; below zero the clock counts up. */
defineProps<{ leftS: number; overClass: string; small?: boolean }>()
</script>

<template>
  <p
    role="timer"
    aria-label="Time left"
    data-testid="big-clock"
    class="leading-[1.05] font-light tabular-nums"
    :class="[
      small ? 'text-[6rem] max-sm:text-[4rem]' : 'text-[8.5rem] max-sm:text-[5.5rem]',
      leftS < 0 && overClass,
    ]"
  >
    {{ leftS < 0 ? '+' : '' }}{{ minutesSeconds(Math.abs(leftS)) }}
  </p>
</template>
