<script setup lang="ts">
import { call } from '~/support/api'
import { dayAndTime } from '~/support/time'

/** What went out, waits, or would have gone out: the mail box on the screen. */
const session = useSessionStore()
const { shown: box, trouble } = useChanges(() => call('/api/messages'))
const openId = ref('')
const STATES = {
  waits: 'waits to go out',
  shown: 'shown here only',
  sent: 'sent',
  'given-up': 'given up',
} as const
const timeZone = computed(() => session.salon?.timeZone ?? 'UTC')
const calendarAt = (text: string) => `data:text/calendar;charset=utf-8,${encodeURIComponent(text)}`
</script>

<template>
  <div class="max-w-3xl">
    <MessageWords v-if="session.can('salon.write')" />
    <h3 class="text-xl mb-2">What went out, and what waits</h3>
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <p v-if="box?.isShownOnly" class="px-4 py-3 mb-4 bg-sunk border-l-4 border-line">
      No mail server is set, or this is the demo: nothing leaves. What would go out stands here.
      Whoever starts the server names one in ZEN_SMTP_URL and ZEN_MAIL_FROM.
    </p>
    <ul>
      <li v-for="message in box?.messages ?? []" :key="message.id" class="border-b border-hair">
        <button
          type="button"
          class="w-full text-left flex gap-4 items-baseline min-h-[52px] py-2 hover:bg-sunk"
          :aria-expanded="openId === message.id"
          @click="openId = openId === message.id ? '' : message.id"
        >
          <span class="w-44 shrink-0 text-sm text-soft tabular-nums">{{
            dayAndTime(String(message.madeAt), timeZone)
          }}</span>
          <span class="flex-1 min-w-0">
            <span class="block truncate font-semibold">{{ message.subject }}</span>
            <span class="block text-sm text-soft">to {{ message.to }}, by {{ message.by }}</span>
          </span>
          <span class="text-sm" :class="message.state === 'given-up' ? 'text-mind' : 'text-soft'">
            {{ STATES[message.state] }}
          </span>
        </button>
        <div v-if="openId === message.id" class="pl-48 pb-4">
          <p v-if="message.trouble" class="text-mind mb-2">{{ message.trouble }}</p>
          <p class="whitespace-pre-line break-words">{{ message.body }}</p>
          <a
            v-if="message.calendar"
            class="rung mt-3"
            :href="calendarAt(message.calendar)"
            download="visit.ics"
          >
            Calendar file
          </a>
        </div>
      </li>
    </ul>
    <p v-if="box && box.messages.length === 0" class="text-soft py-2">
      Nothing yet. Confirmations are sent from a visit on Today, links from People.
    </p>
  </div>
</template>
