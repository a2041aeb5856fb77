<script setup lang="ts">
import type { Listed } from '#core/catalog'
import { money } from '~/support/money'
import { STATE_GLYPHS, vessels } from '~/support/shelf/shelf'
import { activesInShort, leftClass, leftInWords } from '~/support/shelf/shelf-table'
import { shortDate } from '~/support/time'

/** The cells of one product in the shelf’s table. */
const props = defineProps<{ listed: Listed; currency: string }>()
const isEnding = computed(() => ['past its time', 'ends soon'].includes(props.listed.state))
const price = computed(() => {
  const { unitMinor, unit } = props.listed
  if (unitMinor === undefined) return ''
  const here = perUnit(unitMinor, unit)
  return `${money(here.price, props.currency)}/${here.unit}`
})
const { amountOf, perUnit } = useMeasures()
</script>

<template>
  <span role="cell" class="min-w-0">
    <NuxtLink
      :to="`/shelf/${listed.id}`"
      class="block truncate text-[1.05rem] leading-[52px] after:absolute after:inset-0"
    >
      {{ listed.name }}
    </NuxtLink>
  </span>
  <span role="cell" class="text-soft truncate">{{ listed.kind.replaceAll('-', ' ') }}</span>
  <span role="cell" class="truncate">{{ activesInShort(listed) }}</span>
  <span role="cell" :class="isEnding ? 'text-mind font-semibold' : 'text-soft'">
    {{ listed.until ? shortDate(listed.until) : '' }}
  </span>
  <span role="cell" class="flex items-center gap-2 whitespace-nowrap">
    <svg v-if="listed.packs !== undefined" width="62" height="26" aria-hidden="true">
      <g
        v-for="(full, at) in vessels(listed.packs)"
        :key="at"
        :transform="`translate(${at * 21 + 1} 1)`"
      >
        <rect width="17" height="24" fill="none" stroke="var(--line)" />
        <rect
          x="1.5"
          :y="1.5 + 21 * (1 - full)"
          width="14"
          :height="21 * full"
          :fill="listed.state === 'good' ? 'var(--hands-soft)' : 'var(--mind)'"
        />
      </g>
    </svg>
    <span :class="leftClass(listed)">
      {{ STATE_GLYPHS[listed.state] }}
      {{ leftInWords(listed, amountOf) }}
    </span>
  </span>
  <span role="cell" class="text-right text-soft whitespace-nowrap">{{ price }}</span>
</template>
