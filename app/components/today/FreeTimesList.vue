<script setup lang="ts">
import type { FreeTimes } from '~/composables/today/useFreeTimes'
import { TECHNIQUE_WORDS } from '#core/salon'

/** Times that are really free: one touch takes time, room and person. */
const props = defineProps<{
  free: FreeTimes | undefined
  time: string
  wants: string
  trouble: string
  /** In turn with another client of the same practitioner. */
  inTurn?: boolean
}>()
const emit = defineEmits<{ take: [time: FreeTimes['times'][number]] }>()
const lacking = computed(() =>
  (props.free?.unable ?? []).map(
    ({ name, lacks }) => `${name} (${lacks.map((one) => TECHNIQUE_WORDS[one]).join(', ')})`,
  ),
)
</script>

<template>
  <section aria-label="Free times" class="min-h-[7.5rem]">
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <p v-else-if="!free" class="text-soft">{{ wants }}</p>
    <p v-else-if="free.closed" class="text-mind font-semibold">{{ free.closed }}</p>
    <p v-else-if="free.times.length === 0" class="text-mind font-semibold">
      {{
        inTurn
          ? 'Nothing in turn on that day: at no other visit do hands get free long enough for this card, in time and with a room.'
          : `Nothing is free on that day for ${free.minutes} minutes. Try another day, room or person.`
      }}
    </p>
    <template v-else>
      <p class="mb-1 text-soft">
        {{
          inTurn
            ? 'Two clients in turn: what each asks of the hands fits between the other’s steps'
            : `Free for ${free.minutes} minutes, turnover included`
        }}
      </p>
      <div class="flex flex-wrap gap-1.5 max-h-36 overflow-y-auto" role="group" aria-label="Times">
        <button
          v-for="one in free.times"
          :key="one.time"
          type="button"
          class="pick tabular-nums"
          :aria-pressed="one.time === time"
          :aria-label="
            one.shares.length > 0 ? `${one.time}, shares ${one.shares.join(', ')}` : undefined
          "
          :title="one.shares.length > 0 ? `Another visit may want: ${one.shares.join(', ')}` : ''"
          @click="emit('take', one)"
        >
          {{ one.time }}{{ one.minutes ? ` · ${one.minutes} min` : ''
          }}<span v-if="one.shares.length > 0" aria-hidden="true"> ⇄</span>
        </button>
      </div>
    </template>
    <p v-if="lacking.length > 0" class="mt-1 text-sm text-soft">
      Not in their recorded scope: {{ lacking.join(', ') }}
    </p>
  </section>
</template>
