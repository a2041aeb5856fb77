<script setup lang="ts">
import { Delete } from 'lucide-vue-next'

/** Ten digits large enough for gloves; four to eight of them are a PIN. */
const props = defineProps<{
  name: string
  trouble: string
  busy: boolean
  /** What the way back is called. */
  back?: string | undefined
  /** What a right PIN does. */
  does?: string | undefined
}>()
const emit = defineEmits<{ pin: [pin: string]; back: [] }>()
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9']
const LEAST = 4
const MOST = 8
const pin = ref('')
const add = (digit: string) => {
  if (pin.value.length < MOST) pin.value += digit
}
const drop = () => {
  pin.value = pin.value.slice(0, -1)
}
watch(
  () => props.trouble,
  (trouble) => {
    if (trouble) pin.value = ''
  },
)
function onKey(event: KeyboardEvent) {
  if (/^\d$/.test(event.key)) add(event.key)
  else if (event.key === 'Backspace') drop()
  else if (event.key === 'Enter' && pin.value.length >= LEAST) emit('pin', pin.value)
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <section class="flex flex-col gap-4 w-[21rem]" :aria-label="`PIN of ${name}`">
    <h2 class="text-3xl">{{ name }}</h2>
    <div
      class="h-14 border-b border-line flex items-center gap-3 text-3xl"
      role="status"
      :aria-label="`${pin.length} digits typed`"
    >
      <span v-for="n in pin.length" :key="n" class="w-3.5 h-3.5 bg-hands" aria-hidden="true" />
      <span v-if="pin.length === 0" class="text-base text-soft">Your PIN</span>
    </div>
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <div class="grid grid-cols-3 gap-2">
      <button
        v-for="digit in DIGITS"
        :key="digit"
        type="button"
        class="pick !min-h-[72px] text-2xl"
        @click="add(digit)"
      >
        {{ digit }}
      </button>
      <button
        type="button"
        class="pick !min-h-[72px] grid place-items-center"
        aria-label="Take the last digit away"
        @click="drop"
      >
        <Delete :size="24" />
      </button>
      <button type="button" class="pick !min-h-[72px] text-2xl" @click="add('0')">0</button>
      <button
        type="button"
        class="rung rung-strong !min-h-[72px] text-lg !px-0"
        :disabled="busy"
        v-off="pin.length < LEAST && `A PIN has at least ${LEAST} figures.`"
        @click="emit('pin', pin)"
      >
        {{ does ?? 'Open' }}
      </button>
    </div>
    <button type="button" class="rung" @click="emit('back')">{{ back ?? 'Somebody else' }}</button>
  </section>
</template>
