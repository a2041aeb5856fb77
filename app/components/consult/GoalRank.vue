<script setup lang="ts">
import { ArrowDown, ArrowUp } from 'lucide-vue-next'
import type { Concern } from '#core/client'
import { GOAL_WORDS } from '~/support/goals'

const props = defineProps<{ concerns: readonly Concern[]; disabled: boolean }>()
const emit = defineEmits<{ rank: [concerns: Concern[]] }>()
const left = computed(() =>
  (Object.keys(GOAL_WORDS) as Concern[]).filter((concern) => !props.concerns.includes(concern)),
)
function move(at: number, by: -1 | 1) {
  const next = [...props.concerns]
  const [concern] = next.splice(at, 1)
  next.splice(at + by, 0, concern!)
  emit('rank', next)
}
</script>

<template>
  <section aria-label="Goals">
    <h2 class="text-xl border-b border-line pb-2">What the client wants, the most wanted first</h2>
    <ol>
      <li
        v-for="(concern, at) in concerns"
        :key="concern"
        class="flex items-center gap-3 py-2 border-b border-hair"
      >
        <span class="display text-2xl w-8">
          {{ at + 1 }}
        </span>
        <span class="flex-1 font-semibold">
          {{ GOAL_WORDS[concern] }}
        </span>
        <button
          type="button"
          class="pick !px-0 grid place-items-center"
          :aria-label="`${GOAL_WORDS[concern]}: more wanted`"
          :disabled="disabled || at === 0"
          @click="move(at, -1)"
        >
          <ArrowUp :size="17" />
        </button>
        <button
          type="button"
          class="pick !px-0 grid place-items-center"
          :aria-label="`${GOAL_WORDS[concern]}: less wanted`"
          :disabled="disabled || at === concerns.length - 1"
          @click="move(at, 1)"
        >
          <ArrowDown :size="17" />
        </button>
        <button
          type="button"
          class="pick text-sm"
          :aria-label="`${GOAL_WORDS[concern]}: not wanted`"
          :disabled="disabled"
          @click="
            emit(
              'rank',
              concerns.filter((other) => other !== concern),
            )
          "
        >
          ✕
        </button>
      </li>
    </ol>
    <div class="flex flex-wrap gap-1 mt-3">
      <button
        v-for="concern in left"
        :key="concern"
        type="button"
        class="pick"
        :disabled="disabled"
        @click="emit('rank', [...concerns, concern])"
      >
        + {{ GOAL_WORDS[concern] }}
      </button>
    </div>
  </section>
</template>
