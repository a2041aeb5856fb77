<script setup lang="ts">
import { ROLE_WORDS } from '~/support/people/words'
import { call, refusalOf } from '~/support/api'
import { guessFor } from '~/support/set-up/zones'

/** Other salons of this house: gone over to, and opened. */
const session = useSessionStore()
const { settings } = useSettings()
const salon = ref<NonNullable<typeof settings.value>['facts']>()
watch(settings, (now) => {
  if (now && !salon.value) salon.value = { ...now.facts, name: '', address: '' }
})
const room = ref('Room 1')
const begin = ref<'copy' | 'starter' | 'empty'>('copy')
const WAYS = [
  { value: 'copy', words: 'With the cards and shelf of this one' },
  { value: 'starter', words: 'With the starter' },
  { value: 'empty', words: 'Empty' },
] as const
const trouble = ref('')
const done = ref('')
const busy = ref(false)
const { others, refused, goTo } = useOtherSalons()
async function open() {
  busy.value = true
  trouble.value = done.value = ''
  try {
    const body = { salon: salon.value!, room: room.value, begin: begin.value }
    await call('/api/branches', { method: 'post', body })
    await session.reload()
    done.value = `${salon.value!.name} is open. Its people are chosen there, under People.`
    salon.value = { ...salon.value!, name: '', address: '' }
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
  busy.value = false
}
const moved = (timeZone: string) => {
  salon.value = { ...salon.value!, timeZone, ...guessFor(timeZone) }
}
</script>

<template>
  <div class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble || refused" :done="done" />
    <ul v-if="others.length > 0" aria-label="Other salons">
      <li
        v-for="other in others"
        :key="other.accountId"
        class="flex items-center gap-4 min-h-[56px] border-b border-hair"
      >
        <span class="flex-1">
          <span class="text-lg font-semibold">{{ other.name }}</span>
          <span class="block text-sm text-soft">{{ ROLE_WORDS[other.role] }}</span>
        </span>
        <button type="button" class="rung" @click="goTo(other.accountId)">Go over</button>
      </li>
    </ul>
    <form
      v-if="salon"
      class="flex flex-col gap-4"
      aria-label="Another branch"
      @submit.prevent="open"
    >
      <h3 class="text-xl">Open another branch</h3>
      <p class="text-soft max-w-[70ch]">
        A salon of its own: its clients, visits, stock and log stay there, and nobody here sees
        them. You are its owner and sign in as before; whoever works in both has a role in each.
      </p>
      <SalonFields :facts="salon" @change="salon = $event" @moved="moved" />
      <FieldText
        class="max-w-xs"
        label="Its first room"
        :value="room"
        :maxlength="60"
        @change="room = $event"
      />
      <RadioPicks
        label="What it begins with"
        :value="begin"
        :options="WAYS"
        @change="begin = $event"
      />
      <div class="flex items-center gap-4">
        <button
          type="submit"
          class="rung rung-strong"
          :disabled="busy"
          v-off="
            (!salon.name.trim() && 'Its name is missing.') ||
            (!room.trim() && 'A room needs a name.')
          "
        >
          Open the branch
        </button>
        <p v-if="!salon.name.trim()" class="text-soft">Its name is missing.</p>
        <p v-else-if="!room.trim()" class="text-soft">A room needs a name.</p>
      </div>
    </form>
  </div>
</template>
