<script setup lang="ts">
import { X } from 'lucide-vue-next'
import type { ClientRecord } from '~/support/clients'
import { shortDate } from '~/support/time'

/** How somebody likes it here, and what else is to be remembered: added, taken back, never overwritten. */
const props = defineProps<{ record: ClientRecord; mayWrite: boolean }>()
const emit = defineEmits<{ add: [kind: 'note' | 'manner', body: string]; back: [id: string] }>()
const text = ref('')
const kind = ref<'note' | 'manner'>('note')
const KINDS = [
  { value: 'note', words: 'To remember' },
  { value: 'manner', words: 'How they like it' },
] as const
const notes = computed(() => props.record.health?.notes ?? [])
function add() {
  if (!text.value.trim()) return
  emit('add', kind.value, text.value)
  text.value = ''
}
</script>

<template>
  <section aria-label="Notes">
    <h2 class="text-2xl mb-2">Notes</h2>
    <ul>
      <li
        v-for="note in notes"
        :key="note.id"
        class="flex items-start gap-2 border-b border-hair py-1.5"
      >
        <span class="flex-1">
          <span dir="auto">{{ note.body }}</span>
          <span class="block text-sm text-soft">
            {{ note.kind === 'manner' ? 'how they like it · ' : ''
            }}{{ shortDate(String(note.madeAt)) }}
            {{ note.by ?? '' }}
          </span>
        </span>
        <button
          v-if="mayWrite"
          type="button"
          class="pick grid place-items-center !px-0"
          :aria-label="`Take back: ${note.body}`"
          @click="emit('back', note.id)"
        >
          <X :size="18" />
        </button>
      </li>
    </ul>
    <form v-if="mayWrite" class="mt-2 flex flex-col gap-2" @submit.prevent="add">
      <RadioPicks
        label="What kind of note"
        :value="kind"
        :options="KINDS"
        @change="kind = $event"
      />
      <div class="flex gap-2">
        <input
          v-model="text"
          class="field flex-1 min-w-0"
          maxlength="1000"
          dir="auto"
          aria-label="Something to remember"
          placeholder="bed raised slowly, no music, hand signal …"
        />
        <button
          type="submit"
          class="rung"
          v-off="!text.trim() && 'Type what is to be remembered first.'"
          >Add</button
        >
      </div>
    </form>
  </section>
</template>
