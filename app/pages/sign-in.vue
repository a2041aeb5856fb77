<script setup lang="ts">
import { refusalOf } from '~/support/api'

const session = useSessionStore()
const route = useRoute()
const email = ref('')
const password = ref('')
const trouble = ref('')
const busy = ref(false)

async function go(enter: () => Promise<void>) {
  busy.value = true
  trouble.value = ''
  try {
    await enter()
    await navigateTo(
      typeof route.query.back === 'string' && route.query.back.startsWith('/')
        ? route.query.back
        : '/',
    )
  } catch (error) {
    trouble.value = refusalOf(error).detail
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="flex-1 grid grid-cols-[minmax(0,1fr)_30rem] min-h-screen">
    <div class="px-16 py-14 flex flex-col justify-between border-r border-hair">
      <div>
        <h1 class="text-6xl leading-[1.05]">Zen Ladder</h1>
        <p class="mt-5 text-xl max-w-[30ch] text-soft">
          Write the protocol. Fit it to this skin, today. Perform it with your hands free.
        </p>
      </div>
      <SignInLadder class="w-full max-w-xl" />
      <p class="text-sm text-soft max-w-[70ch]">
        Not medical advice. Local law, your licence and the maker’s instructions come first; the
        decision stays with you.
      </p>
    </div>
    <div class="px-12 py-14 flex flex-col justify-center gap-8 bg-raised">
      <div v-if="session.demo">
        <button
          type="button"
          class="rung rung-strong w-full !min-h-[64px] text-lg"
          :disabled="busy"
          @click="go(session.openDemo)"
        >
          Open the demo studio
        </button>
        <p class="mt-2 text-sm text-soft">
          Saltgrass Studio, with today’s visits. Everybody in it is invented.
        </p>
      </div>
      <form class="flex flex-col gap-4" @submit.prevent="go(() => session.signIn(email, password))">
        <h2 class="text-2xl">Sign in</h2>
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
        <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
        <button type="submit" class="rung" :disabled="busy">Sign in</button>
      </form>
    </div>
  </div>
</template>
