<script setup lang="ts">
import { refusalOf } from '~/support/api'

/** A tablet of the salon: a name, then its PIN. Whoever has none signs in with the password. */
const emit = defineEmits<{ entered: []; password: [] }>()
const session = useSessionStore()
type Tile = NonNullable<typeof session.tablet>['people'][number]
const chosen = ref<Tile>()
const trouble = ref('')
const busy = ref(false)
const people = computed(() => session.tablet?.people ?? [])
const withPin = computed(() => people.value.filter(({ hasPin }) => hasPin))

async function open(pin: string) {
  busy.value = true
  trouble.value = ''
  try {
    await session.signInByPin(chosen.value!.id, pin)
    emit('entered')
  } catch (error) {
    trouble.value = refusalOf(error).detail
  } finally {
    busy.value = false
  }
}
function back() {
  chosen.value = undefined
  trouble.value = ''
}
</script>

<template>
  <PinPad
    v-if="chosen"
    :name="chosen.name"
    :trouble="trouble"
    :busy="busy"
    @pin="open"
    @back="back"
  />
  <section v-else class="w-full max-w-3xl" aria-label="Who are you?">
    <div class="grid grid-cols-2 gap-3">
      <button
        v-for="tile in withPin"
        :key="tile.id"
        type="button"
        class="rung !justify-start !min-h-[88px] text-2xl font-display"
        @click="chosen = tile"
      >
        {{ tile.name }}
      </button>
    </div>
    <p v-if="withPin.length === 0" class="text-lg text-soft max-w-[44ch]">
      Nobody has a PIN yet. Sign in with your password, and choose one under your name.
    </p>
    <button type="button" class="rung mt-6" @click="emit('password')">With a password</button>
  </section>
</template>
