<script setup lang="ts">
import type { LongLayout } from '~/long-ladder/drawn'

/** What the marks mean; signs that had no room; quarters that were opened, to be folded again. */
defineProps<{ layout: LongLayout; open: ReadonlySet<string> }>()
const emit = defineEmits<{ fold: [quarterId: string] }>()
const allSigns = defineModel<boolean>('allSigns', { required: true })
const quarterWords = (id: string) => {
  const [year, at] = id.split('-Q') as [string, string]
  return `${['Jan–Mar', 'Apr–Jun', 'Jul–Sep', 'Oct–Dec'][Number(at) - 1]} ${year}`
}
const MARK = 'inline-block w-2.5 h-2.5 mr-1.5 border-2 border-hands'
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-sm text-soft">
    <span><span class="bg-hands" :class="MARK" />used so high</span>
    <span><span class="bg-ground" :class="MARK" />held back</span>
    <span><span class="text-mind font-bold">↓</span> taken down</span>
    <span><span class="text-mind">●</span> stung</span>
    <span v-if="layout.signs.length > 0">numbers: the highest grade read, 1 to 4</span>
    <button
      v-if="layout.hiddenSigns.length > 0 || allSigns"
      type="button"
      class="rung no-print"
      :aria-pressed="allSigns"
      @click="allSigns = !allSigns"
    >
      {{ allSigns ? 'Fewer signs' : `Also read: ${layout.hiddenSigns.join(', ')}` }}
    </button>
    <details v-if="open.size > 0" class="no-print">
      <summary class="min-h-[44px] flex items-center text-link">Fold a quarter</summary>
      <button
        v-for="id in [...open].sort()"
        :key="id"
        type="button"
        class="rung mr-2 mb-2"
        @click="emit('fold', id)"
      >
        {{ quarterWords(id) }}
      </button>
    </details>
  </div>
</template>
