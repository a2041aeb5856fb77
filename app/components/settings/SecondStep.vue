<script setup lang="ts">
import { call, type Reply } from '~/support/api'

/** A code from the phone after the password: begun with the password, on once the first code was given. */
const props = defineProps<{
  isOn: boolean
  change: <T>(doing: () => Promise<T>, words?: string) => Promise<T | undefined>
}>()
const password = ref('')
const code = ref('')
const offer = ref<Reply<'/api/own/second-step', 'post'>>()
const recovery = ref<readonly string[]>([])
const picture = computed(() =>
  offer.value ? `data:image/svg+xml;utf8,${encodeURIComponent(offer.value.picture)}` : '',
)

async function begin() {
  const body = { password: password.value }
  offer.value = await props.change(
    () => call('/api/own/second-step', { method: 'post', body }),
    'Begun: it is on once the first code was given.',
  )
  if (offer.value) password.value = ''
}
async function confirm() {
  const body = { code: code.value }
  const told = await props.change(
    () => call('/api/own/second-step', { method: 'put', body }),
    'The second step is on.',
  )
  if (!told) return
  recovery.value = told.recovery
  offer.value = undefined
  code.value = ''
}
async function turnOff() {
  const body = { password: password.value }
  await props.change(
    () => call('/api/own/second-step', { method: 'delete', body }),
    'The second step is off.',
  )
  password.value = ''
}
</script>

<template>
  <h3 class="text-xl mb-2">
    Second step
    <span class="font-sans text-base text-soft">
      {{ isOn ? 'on' : 'off: whoever knows your password comes in' }}
    </span>
  </h3>
  <form
    v-if="offer"
    class="grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[11rem_1fr] gap-6"
    @submit.prevent="confirm"
  >
    <img :src="picture" alt="Code to scan with the phone" class="w-44 h-44 bg-white" />
    <div class="flex flex-col gap-3">
      <p>Scan it with an app for one-time codes, or type the letters there:</p>
      <p class="font-semibold tracking-wider break-all">{{ offer.secret }}</p>
      <label class="flex flex-col gap-1">
        The code it shows
        <input
          v-model="code"
          class="field w-48"
          inputmode="numeric"
          autocomplete="one-time-code"
          maxlength="8"
          required
        />
      </label>
      <button type="submit" class="rung rung-strong self-start">Turn it on</button>
    </div>
  </form>
  <div v-else-if="recovery.length > 0" class="border border-now bg-now-ground p-4">
    <p class="mb-3">
      Keep these codes away from the phone: each opens once, where the phone is lost. They are shown
      this once.
    </p>
    <ul class="grid grid-cols-2 gap-1 tracking-wider">
      <li v-for="one in recovery" :key="one">{{ one.slice(0, 5) }}-{{ one.slice(5) }}</li>
    </ul>
    <button type="button" class="rung mt-3" @click="recovery = []">I have them</button>
  </div>
  <form v-else class="flex gap-3 items-end" @submit.prevent="isOn ? turnOff() : begin()">
    <OwnPassword v-model="password" class="w-72" />
    <button type="submit" class="rung" :class="!isOn && 'rung-strong'">
      {{ isOn ? 'Turn it off' : 'Set it up' }}
    </button>
  </form>
</template>
