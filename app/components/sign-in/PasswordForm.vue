<script setup lang="ts">
import { refusalOf } from '~/support/api'

/** Address and password; then, where it is on, the code of the second step. */
const emit = defineEmits<{ entered: [] }>()
const session = useSessionStore()
const email = ref('')
const password = ref('')
const code = ref('')
const wantsCode = ref(false)
const trouble = ref('')
const busy = ref(false)

async function go() {
  busy.value = true
  trouble.value = ''
  try {
    await session.signIn(email.value, password.value, wantsCode.value ? code.value : undefined)
    emit('entered')
  } catch (error) {
    const { code: why, detail } = refusalOf(error)
    if (why === 'totp_wanted') wantsCode.value = true
    trouble.value = why === 'totp_wanted' ? '' : detail
  } finally {
    busy.value = false
  }
}
const back = () => {
  wantsCode.value = false
  code.value = ''
}
</script>

<template>
  <form class="flex flex-col gap-4" @submit.prevent="go">
    <h2 class="text-2xl">Sign in</h2>
    <template v-if="!wantsCode">
      <label class="flex flex-col gap-1">
        E-mail
        <input v-model="email" class="field" type="email" autocomplete="username" required />
      </label>
      <label class="flex flex-col gap-1">
        Password
        <input
          v-model="password"
          class="field"
          type="password"
          autocomplete="current-password"
          required
        />
      </label>
    </template>
    <label v-else class="flex flex-col gap-1">
      The code from your phone, or a recovery code
      <input
        v-model="code"
        class="field text-xl tracking-widest"
        autocomplete="one-time-code"
        inputmode="text"
        maxlength="20"
        autofocus
        required
      />
    </label>
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <div class="flex gap-3">
      <button v-if="wantsCode" type="button" class="rung" @click="back">Back</button>
      <button type="submit" class="rung flex-1" :disabled="busy">Sign in</button>
    </div>
  </form>
</template>
