<script setup lang="ts">
import { UNCHECKED } from '~/stores/guard'
import { shortDate } from '~/support/time'

/** Signs and locks the visit; on a tablet with the PIN of whoever is signed in. What was signed stays; a doubtful signature is confirmed here. */
const props = defineProps<{ sign: (pin?: string) => Promise<void> }>()
const session = useSessionStore()
const guard = useGuardStore()
const store = useVisitStore()
const asks = ref(false)
const trouble = ref('')
const busy = ref(false)
const password = ref('')
const wantsPin = computed(() => session.tablet !== null && session.account?.hasPin === true)
const outcome = computed(() => store.data?.outcome)
const isMine = computed(() => outcome.value?.signed_by === session.account?.id)
const signedWords = computed(() => {
  if (!outcome.value)
    return 'Signed on this tablet. It goes to the server when the network is back.'
  const { signed_name: name, signed_at: at } = outcome.value
  return `Signed by ${name}, ${shortDate(at)}. It stays as it is.`
})

async function begin() {
  trouble.value = ''
  if (wantsPin.value) asks.value = true
  else await props.sign()
}
/** A wrong PIN is told before anything is signed; where it cannot be checked now, it is on arrival. */
async function refusalOfPin(pin: string): Promise<string> {
  const why = await guard.takeBack({ pin })
  return why === UNCHECKED ? '' : why
}
async function withPin(pin: string) {
  busy.value = true
  trouble.value = ''
  trouble.value = await refusalOfPin(pin)
  if (!trouble.value) {
    asks.value = false
    await props.sign(pin)
  }
  busy.value = false
}
async function confirm() {
  await store.confirm(password.value)
  password.value = ''
}
</script>

<template>
  <button
    v-if="!store.locked"
    type="button"
    class="rung rung-strong !min-h-[60px] text-lg"
    :disabled="store.saving > 0"
    @click="begin"
  >
    Sign and lock
  </button>
  <p v-else class="text-soft">{{ signedWords }}</p>
  <div v-if="outcome?.doubt" class="px-4 py-3 bg-mind-ground border-l-4 border-mind">
    <p class="font-semibold">Signed offline, to be confirmed by password</p>
    <p class="text-sm mt-1">{{ outcome.doubt }} What was signed stands until then.</p>
    <form v-if="isMine" class="flex gap-2 mt-3" @submit.prevent="confirm">
      <input
        v-model="password"
        class="field flex-1 min-w-0"
        type="password"
        autocomplete="current-password"
        aria-label="Your password"
        placeholder="Your password"
        required
      />
      <button type="submit" class="rung" :disabled="store.saving > 0">It is mine</button>
    </form>
    <p v-else class="text-sm mt-1">Only {{ outcome.signed_name }} can confirm it.</p>
  </div>
  <PlainDialog :open="asks" title="Sign and lock" @close="asks = false">
    <PinPad
      :name="session.account?.name ?? ''"
      :trouble="trouble"
      :busy="busy"
      does="Sign"
      back="Not yet"
      @pin="withPin"
      @back="asks = false"
    />
  </PlainDialog>
</template>
