<script setup lang="ts">
import { useNow } from '@vueuse/core'
import type { Reply } from '~/support/api'
import { browserInWords, sinceInWords } from '~/support/people/sessions'

defineProps<{ sessions: Reply<'/api/own'>['sessions'] }>()
const emit = defineEmits<{ callOff: [id: string] }>()
const now = useNow({ interval: 60_000 })
const WAYS = { password: 'by password', pin: 'by PIN', demo: 'in one touch', link: 'by a link' }
</script>

<template>
  <ul>
    <li
      v-for="session in sessions"
      :key="session.id"
      class="flex items-center gap-4 min-h-[52px] border-b border-hair"
    >
      <span class="flex-1">
        {{ session.tablet ?? browserInWords(session.agent) }}
        <span class="text-soft">{{ WAYS[session.way] }}</span>
      </span>
      <span class="text-soft">
        {{ session.isHere ? 'here' : `used ${sinceInWords(session.seenAt, now)}` }}
      </span>
      <button
        v-if="!session.isHere"
        type="button"
        class="rung"
        @click="emit('callOff', session.id)"
      >
        Sign out
      </button>
    </li>
  </ul>
</template>
