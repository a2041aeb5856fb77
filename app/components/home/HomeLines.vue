<script setup lang="ts">
import type { HomeLine } from '#core/homecare'
import { rhythmWords } from '~/support/home/words'
import { goalWords } from '~/support/goals'
import { shortDate } from '~/support/time'

/** What goes on in the morning or in the evening, in the order in which it goes on. */
defineProps<{
  title: string
  lines: readonly HomeLine[]
  marks: ReadonlyMap<string, string>
  on: string
  disabled: boolean
}>()
const emit = defineEmits<{ out: [id: string] }>()
const newWords = ({ state, concern }: HomeLine) => {
  if (state !== 'new') return ''
  return concern ? `New: ${goalWords(concern).toLowerCase()}. ` : 'New. '
}
const named = ({ role, name }: HomeLine) => (role === 'neck' ? `Neck: ${name}` : name)
</script>

<template>
  <section :aria-label="title">
    <h2 class="display text-2xl border-b border-line pb-1">{{ title }}</h2>
    <ol>
      <li
        v-for="(line, at) in lines"
        :key="line.id"
        class="grid grid-cols-[1.75rem_minmax(0,1fr)_auto] gap-x-2 py-2 border-b border-hair"
      >
        <span class="display text-xl text-soft">{{ at + 1 }}</span>
        <div class="min-w-0">
          <p class="flex flex-wrap items-baseline gap-x-3">
            <span class="font-semibold">{{ named(line) }}</span>
            <span v-if="line.amount" class="whitespace-nowrap">{{ line.amount }}</span>
            <span v-if="marks.has(line.id)" class="px-1.5 bg-now-ground text-now font-semibold"
              >{{ marks.get(line.id) }} · {{ rhythmWords(line) }}</span
            >
            <span v-if="line.from > on" class="text-now whitespace-nowrap"
              >from {{ shortDate(line.from) }}</span
            >
          </p>
          <p class="text-sm">{{ line.how }}</p>
          <p v-if="line.why.length > 0 || line.lastsUntil" class="text-sm text-soft">
            {{ newWords(line)
            }}<template v-for="{ words, ruleId } in line.why" :key="words"
              >{{ words }}<template v-if="ruleId"> ({{ ruleId }})</template>{{ ' ' }}</template
            ><template v-if="line.lastsUntil"
              >One pack lasts until {{ shortDate(line.lastsUntil) }}.</template
            >
          </p>
        </div>
        <button
          v-if="!disabled && line.state !== 'goes on'"
          type="button"
          class="pick !px-0 !min-w-11 self-start no-print"
          :aria-label="`Leave out: ${named(line)}`"
          @click="emit('out', line.id)"
        >
          ✕
        </button>
      </li>
    </ol>
    <p v-if="lines.length === 0" class="py-2 text-soft">Nothing.</p>
  </section>
</template>
