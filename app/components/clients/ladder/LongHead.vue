<script setup lang="ts">
import { LEVER_WORDS } from '#core/protocol'
import { SIZES, type LongLayout } from '~/long-ladder/drawn'

/** What each column is; it stays while the years run under it. */
defineProps<{ layout: LongLayout }>()
const RUNGS = [1, 2, 3, 4]
</script>

<template>
  <div
    class="sticky top-0 z-10 h-[4.25rem] bg-ground border-b border-line text-sm leading-tight"
    :style="{ width: `${layout.width}px` }"
  >
    <p v-for="rail in layout.rails" :key="rail.lever" class="contents">
      <span
        class="absolute bottom-6 font-semibold break-words"
        :style="{ left: `${rail.x - 4}px`, width: `${SIZES.lever - 4}px` }"
      >
        {{ LEVER_WORDS[rail.lever] }}
      </span>
      <span
        v-for="rung in RUNGS"
        :key="rung"
        class="absolute bottom-1 w-4 text-center text-xs text-soft"
        :style="{ left: `${rail.x + (rung - 1) * SIZES.rung - 8}px` }"
        aria-hidden="true"
      >
        {{ rung }}
      </span>
    </p>
    <span
      v-for="{ sign, x } in layout.signs"
      :key="sign"
      class="absolute bottom-6 text-center font-semibold"
      :style="{ left: `${x - (SIZES.sign - SIZES.strip) / 2}px`, width: `${SIZES.sign}px` }"
    >
      {{ sign }}
    </span>
    <span
      v-if="layout.spans.length > 0"
      class="absolute bottom-6 font-semibold"
      :style="{ left: `${layout.spansX}px` }"
    >
      came and went
    </span>
  </div>
</template>
