<script setup lang="ts">
import { call } from '~/support/api'

const { shown: own, trouble, done, change } = useChanges(() => call('/api/own'))
const about = computed(() => (own.value ? [own.value.name, own.value.email] : []))
const old = ref('')
const password = ref('')
const weakness = ref<string>()
const pin = ref('')
const pinPassword = ref('')

async function setPassword() {
  const body = { old: old.value, password: password.value }
  const changed = await change(async () => {
    await call('/api/own/password', { method: 'put', body })
    return true
  }, 'Your password is changed. Other devices are signed out.')
  if (changed) old.value = password.value = ''
}
async function setPin() {
  const body = { pin: pin.value, password: pinPassword.value }
  const changed = await change(async () => {
    await call('/api/own/pin', { method: 'put', body })
    return true
  }, 'Your PIN opens every tablet of the salon.')
  if (changed) pin.value = pinPassword.value = ''
}
const callOff = (id: string) =>
  change(
    () => call('/api/own/sessions/:id', { method: 'delete', params: { id } }),
    'That browser is signed out, and forgets what it held.',
  )
</script>

<template>
  <div v-if="own" class="max-w-3xl flex flex-col gap-8">
    <SaveState :trouble="trouble" :done="done" />
    <section aria-label="Second step">
      <SecondStep :is-on="own.hasTotp" :change="change" />
    </section>
    <form
      aria-label="PIN"
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[1fr_1fr_auto] gap-3 items-end"
      @submit.prevent="setPin"
    >
      <h3 class="text-xl lg:col-span-3">
        PIN for the tablets
        <span class="font-sans text-base text-soft">{{ own.hasPin ? 'set' : 'none yet' }}</span>
      </h3>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Four to eight digits
        <input
          v-model="pin"
          class="field !text-ink"
          type="password"
          inputmode="numeric"
          autocomplete="off"
          maxlength="8"
        />
      </label>
      <OwnPassword v-model="pinPassword" />
      <button
        type="submit"
        class="rung"
        v-off="(!pin && 'Type the PIN first.') || (!pinPassword && 'Type your password first.')"
        >Set the PIN</button
      >
    </form>
    <form
      aria-label="Password"
      class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[1fr_1fr_auto] gap-3 items-start"
      @submit.prevent="setPassword"
    >
      <h3 class="text-xl lg:col-span-3">Password</h3>
      <label class="flex flex-col gap-1">
        The one you have
        <input v-model="old" class="field" type="password" autocomplete="current-password" />
      </label>
      <PasswordField
        label="The new one"
        :value="password"
        :about="about"
        @change="password = $event"
        @weak="weakness = $event"
      />
      <button
        type="submit"
        class="rung mt-7"
        v-off="
          (!old && 'Type the password you have first.') ||
          (!password && 'Type the new password first.') ||
          weakness
        "
      >
        Change it
      </button>
    </form>
    <section aria-label="Where you are signed in">
      <h3 class="text-xl mb-2">Where you are signed in</h3>
      <SessionList :sessions="own.sessions" @call-off="callOff" />
    </section>
  </div>
</template>
