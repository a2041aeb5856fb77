<script setup lang="ts">
const props = defineProps<{
  open: boolean
  skipTitle: string | undefined
  stops: readonly string[]
  /** What may be handed over to another tablet now. */
  handTitle: string | undefined
  /** Another tablet leads: it says what is left out. */
  follows: boolean
}>()
const emit = defineEmits<{
  close: []
  skip: [reason: string]
  refuse: []
  order: []
  hand: []
  note: [text: string]
}>()
const REASONS = ['Not wanted today', 'Nothing ready', 'No time', 'The skin says no'] as const
const text = ref('')
watch(
  () => props.open,
  () => {
    text.value = ''
  },
)
</script>

<template>
  <PlainDialog :open="open" wide title="Leave out, change, hand over, note" @close="emit('close')">
    <p v-if="follows" class="text-lg">
      Another tablet leads: what is left out is said there, or take the lead.
    </p>
    <template v-else-if="skipTitle">
      <p class="mb-3 text-lg">
        Leave out <span class="font-semibold">{{ skipTitle }}</span> and what follows from it:
      </p>
      <div class="grid grid-cols-2 sm:grid-cols-4 gap-2">
        <button
          v-for="reason in REASONS"
          :key="reason"
          type="button"
          class="rung !min-h-[64px] text-lg"
          @click="emit('skip', reason)"
        >
          {{ reason }}
        </button>
      </div>
    </template>
    <p v-else class="text-lg">
      Nothing can be left out now: what lies on the skin has to come off.
    </p>
    <div v-if="!follows" class="mt-6 border-t border-hair pt-5 flex items-center gap-4">
      <p class="text-lg flex-1">What it changes is shown first:</p>
      <button type="button" class="rung !min-h-[64px] text-lg" @click="emit('order')">
        Earlier, later …
      </button>
      <button type="button" class="rung !min-h-[64px] text-lg" @click="emit('refuse')">
        Not this one …
      </button>
    </div>
    <div v-if="handTitle" class="mt-6 border-t border-hair pt-5 flex items-center gap-4">
      <p class="text-lg flex-1">
        <span class="font-semibold">{{ handTitle }}</span> is done by somebody else, on a tablet of
        this visit:
      </p>
      <button type="button" class="rung !min-h-[64px] text-lg" @click="emit('hand')">
        Hand it over
      </button>
    </div>
    <form
      class="mt-6 flex gap-3 items-end border-t border-hair pt-5"
      @submit.prevent="emit('note', text)"
    >
      <label class="flex-1 flex flex-col gap-1 text-lg">
        Note
        <input v-model="text" class="field !min-h-[64px] text-lg" required maxlength="1000" />
      </label>
      <button type="submit" class="rung !min-h-[64px] text-lg">Keep it</button>
    </form>
    <SoundChoice class="mt-6 border-t border-hair pt-5" />
    <p v-if="stops.length > 0" class="mt-6 border-t border-hair pt-4">
      <span class="text-soft">All stops of today:</span> {{ stops.join(' · ') }}
    </p>
    <button type="button" class="rung mt-6 !min-h-[64px] w-full text-lg" @click="emit('close')">
      Back
    </button>
  </PlainDialog>
</template>
