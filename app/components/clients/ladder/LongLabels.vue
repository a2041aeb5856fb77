<script setup lang="ts">
import { SIZES, type Label, type LongLayout } from '~/long-ladder/drawn'
import { shortDate } from '~/support/time'

/** Every visit by its day and card, to be touched; arrows go from one to the next. Folded quarters open. */
const props = defineProps<{
  layout: LongLayout
  chosen: string | undefined
}>()
const emit = defineEmits<{ choose: [visitId: string]; open: [quarterId: string] }>()
const list = ref<HTMLElement>()
const tabStop = computed(() => props.chosen ?? props.layout.labels.at(-1)?.rung.id)

function go(by: -1 | 1, from: Label) {
  const { labels } = props.layout
  const next = labels[labels.indexOf(from) + by]
  if (!next) return
  emit('choose', next.rung.id)
  void nextTick(() =>
    list.value?.querySelector<HTMLElement>(`[data-rung="${next.rung.id}"]`)?.focus(),
  )
}
function stateOf({ rung, isAhead }: Label): string {
  if (isAhead) return 'booked'
  return rung.isSigned ? '' : 'not signed'
}
const MOST_SQUARES = 4
const spanWords = computed(() =>
  props.layout.spans.flatMap((span) => span.wordsY.map((y) => ({ span, y }))),
)
</script>

<template>
  <div ref="list" class="absolute inset-0 pointer-events-none">
    <span
      v-for="{ span, y } in spanWords"
      :key="`${span.key} ${y}`"
      class="absolute text-[13px] leading-[15px] text-soft bg-ground line-clamp-2"
      :class="span.tone === 'refused' && '!text-mind'"
      :style="{
        left: `${layout.spanWordsX}px`,
        top: `${y - 7}px`,
        maxWidth: `${layout.labelsX - layout.spanWordsX - 20}px`,
      }"
      :title="span.words"
    >
      {{ span.words }}
    </span>
    <button
      v-for="fold in layout.folds"
      :key="fold.top"
      type="button"
      class="absolute flex items-center pl-2 text-left text-sm text-soft pointer-events-auto"
      :class="fold.canOpen ? 'hover:underline' : 'cursor-default'"
      :style="{
        left: `${layout.labelsX - 6}px`,
        top: `${fold.labelY - SIZES.folded / 2}px`,
        width: `${SIZES.labels + 6}px`,
        height: `${SIZES.folded}px`,
      }"
      :tabindex="fold.canOpen ? 0 : -1"
      @click="fold.canOpen && emit('open', fold.id)"
    >
      {{ fold.words }}<span v-if="fold.canOpen" class="ml-1" aria-hidden="true">▾</span>
    </button>
    <button
      v-for="label in layout.labels"
      :key="label.rung.id"
      type="button"
      class="absolute pl-3 text-left leading-tight border-l-4 pointer-events-auto hover:bg-sunk overflow-hidden"
      :class="label.rung.id === chosen ? 'bg-now-ground !border-now' : 'border-transparent'"
      :style="{
        left: `${layout.labelsX}px`,
        top: `${label.labelY - SIZES.touch / 2}px`,
        width: `${SIZES.labels}px`,
        height: `${SIZES.touch}px`,
      }"
      :data-rung="label.rung.id"
      :aria-pressed="label.rung.id === chosen"
      :tabindex="label.rung.id === tabStop ? 0 : -1"
      @click="emit('choose', label.rung.id)"
      @keydown.up.prevent="go(-1, label)"
      @keydown.down.prevent="go(1, label)"
    >
      <span class="block font-semibold" :class="label.isAhead && 'text-now'">
        {{ shortDate(label.rung.on) }}
        <span v-if="stateOf(label)" class="text-[13px] font-normal">{{ stateOf(label) }}</span>
        <span v-if="label.photos > 0" role="img" :aria-label="`${label.photos} photographs`">
          <span
            v-for="square in Math.min(label.photos, MOST_SQUARES)"
            :key="square"
            class="inline-block w-2.5 h-2.5 ml-1 border border-soft bg-sunk"
          />
        </span>
      </span>
      <span class="block text-[13px] text-soft truncate">{{ label.rung.protocol }}</span>
    </button>
  </div>
</template>
