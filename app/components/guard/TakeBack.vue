<script setup lang="ts">
import { UNCHECKED } from '~/stores/guard'

/** Whoever is signed in says that it is them: by PIN, or by password where there is none. */
defineProps<{ back?: string; maySkip?: boolean; deed?: string }>()
const emit = defineEmits<{ opened: []; other: [] }>()
const session = useSessionStore()
const guard = useGuardStore()
const password = ref('')
const trouble = ref('')
const busy = ref(false)
const byPin = computed(() => session.tablet !== null && session.account?.hasPin === true)
const isUnchecked = computed(() => trouble.value === UNCHECKED)

async function say(typed: { pin: string } | { password: string }) {
  busy.value = true
  trouble.value = ''
  trouble.value = await guard.takeBack(typed)
  busy.value = false
  password.value = ''
  if (!trouble.value) emit('opened')
}
async function skip() {
  await guard.openUnchecked()
  emit('opened')
}
</script>

<template>
  <div v-if="session.account">
    <PinPad
      v-if="byPin"
      :name="session.account.name"
      :trouble="trouble"
      :busy="busy"
      :back="back"
      @pin="say({ pin: $event })"
      @back="emit('other')"
    />
    <form v-else class="flex flex-col gap-4 w-[21rem]" @submit.prevent="say({ password })">
      <h2 class="text-3xl">{{ session.account.name }}</h2>
      <label class="flex flex-col gap-1">
        Your password
        <input
          v-model="password"
          class="field"
          type="password"
          autocomplete="current-password"
          required
        />
      </label>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <button type="submit" class="rung rung-strong !min-h-[64px] text-lg" :disabled="busy">
        {{ deed ?? 'Open' }}
      </button>
      <button type="button" class="rung" @click="emit('other')">{{
        back ?? 'Somebody else'
      }}</button>
    </form>
    <button v-if="maySkip && isUnchecked" type="button" class="rung mt-4 w-[21rem]" @click="skip">
      Open all the same: it is written down
    </button>
  </div>
</template>
