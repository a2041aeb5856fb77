<script setup lang="ts">
// A ladder at rest: hands on the left rail, skin on the right; the open space is where hands are free.
const hands = [
  [0, 8],
  [9, 14],
  [24, 20],
  [46, 6],
  [78, 8],
  [87, 5],
]
const skin = [
  [14, 9],
  [50, 27],
]
</script>

<template>
  <svg viewBox="0 0 560 240" aria-hidden="true">
    <path d="M60 10V230M180 10V230" stroke="var(--line)" stroke-width="1.5" />
    <rect
      v-for="[y, h] in hands"
      :key="`h${y}`"
      x="53"
      :y="10 + y! * 2.3"
      width="14"
      :height="h! * 2.3"
      fill="var(--hands)"
    />
    <rect
      v-for="[y, h] in skin"
      :key="`s${y}`"
      x="168"
      :y="10 + y! * 2.3"
      width="24"
      :height="h! * 2.3"
      fill="var(--skin)"
      stroke="var(--skin-edge)"
    />
    <path d="M40 152H210" stroke="var(--now)" stroke-width="3" />
    <text x="222" y="158" fill="var(--ink)" font-size="17">Kelp set mask, 13 min left</text>
    <text x="222" y="182" fill="var(--ink-soft)" font-size="15">
      hands free: lip enhancement hangs here
    </text>
  </svg>
</template>
