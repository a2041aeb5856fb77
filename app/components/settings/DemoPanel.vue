<script setup lang="ts">
import { call, refusalOf } from '~/support/api'

const session = useSessionStore()
const { settings } = useSettings()
const trouble = ref('')
const asking = ref(false)
const gone = ref(false)
async function open() {
  await session.openDemo()
  await navigateTo('/')
}
async function remove() {
  asking.value = false
  try {
    await call('/api/demo', { method: 'delete' })
    gone.value = true
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
</script>

<template>
  <div class="max-w-2xl flex flex-col gap-4">
    <p v-if="session.world === 'demo'">
      You are in the demo studio. It is taken away from your own salon, in its Settings.
    </p>
    <p v-else-if="gone">The demo studio is gone. Nothing of your salon was in it.</p>
    <template v-else-if="settings?.hasDemo">
      <p>
        An invented studio with clients, visits and a shelf, in a database of its own. Nothing goes
        from it into your salon, and nothing from your salon into it.
      </p>
      <div class="flex gap-3">
        <button type="button" class="rung" @click="open">Open the demo studio</button>
        <button type="button" class="rung" @click="asking = true">Take it away</button>
      </div>
    </template>
    <p v-else class="text-soft">There is no demo studio on this server.</p>
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <PlainDialog :open="asking" title="Take the demo away?" @close="asking = false">
      <p class="mb-5">
        Its database is dropped with everything in it. It does not come back; your salon stays as it
        is.
      </p>
      <div class="flex justify-end gap-3">
        <button type="button" class="rung" @click="asking = false">Keep it</button>
        <button type="button" class="rung rung-strong" @click="remove">Take it away</button>
      </div>
    </PlainDialog>
  </div>
</template>
