<script setup lang="ts">
import { call, refusalOf, type Reply } from '~/support/api'

const session = useSessionStore()
const route = useRoute()
const token = String(route.params.token)
const who = ref<Reply<'/api/links/:token'>>()
const password = ref('')
const code = ref('')
const wantsCode = ref(false)
const weakness = ref<string>()
const trouble = ref('')
const busy = ref(false)
const about = computed(() => (who.value ? [who.value.name, who.value.email] : []))

onMounted(async () => {
  try {
    who.value = await call('/api/links/:token', { params: { token } })
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
})
async function join() {
  busy.value = true
  trouble.value = ''
  try {
    await session.join(token, password.value, wantsCode.value ? code.value : undefined)
    await navigateTo('/')
  } catch (error) {
    const { code: why, detail } = refusalOf(error)
    if (why === 'totp_wanted') wantsCode.value = true
    trouble.value = detail
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="flex-1 min-h-screen grid place-items-center px-6">
    <form class="w-full max-w-md flex flex-col gap-5" @submit.prevent="join">
      <h1 class="text-4xl">{{ who ? who.salon : 'Zen Ladder' }}</h1>
      <template v-if="who">
        <p class="text-lg">
          {{
            who.purpose === 'invite' ? `${who.name}, choose a password` : 'Choose a new password'
          }}
          to sign in as <strong>{{ who.email }}</strong>.
        </p>
        <PasswordField
          label="Password"
          :value="password"
          :about="about"
          @change="password = $event"
          @weak="weakness = $event"
        />
        <label v-if="wantsCode" class="flex flex-col gap-1">
          The code from your phone, or a recovery code
          <input
            v-model="code"
            class="field"
            autocomplete="one-time-code"
            maxlength="20"
            required
          />
        </label>
        <button
          type="submit"
          class="rung rung-strong !min-h-[56px] text-lg"
          :disabled="busy"
          v-off="(password === '' && 'Choose a password first.') || weakness"
        >
          Sign in
        </button>
      </template>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <p v-else-if="!who" class="text-soft">Opening the link …</p>
      <NuxtLink v-if="trouble && !who" to="/sign-in" class="text-link">To sign in</NuxtLink>
    </form>
  </div>
</template>
