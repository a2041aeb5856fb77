<script setup lang="ts">
import type { ConsentText } from '~/stores/visit'

/** One text with its words in full, and where it is signed. */
const props = defineProps<{ text: ConsentText; client: string; minor: boolean }>()
const emit = defineEmits<{
  sign: [signer: string, relation: 'client' | 'guardian', signature: string]
  skip: []
}>()
const relation = computed(() =>
  props.text.kind === 'guardian' || props.minor ? 'guardian' : 'client',
)
const signer = ref(relation.value === 'guardian' ? '' : props.client)
const signature = ref('')
const isReady = computed(() => signature.value !== '' && signer.value.trim().length > 1)
</script>

<template>
  <form
    class="flex flex-col gap-4"
    @submit.prevent="emit('sign', signer.trim(), relation, signature)"
  >
    <h1 class="text-4xl leading-tight">{{ text.title }}</h1>
    <p
      class="whitespace-pre-line text-xl leading-relaxed max-h-[32vh] overflow-y-auto border-y border-hair py-3"
      tabindex="0"
      >{{ text.body }}</p
    >
    <label class="flex items-center gap-3 text-xl">
      {{ relation === 'guardian' ? 'Guardian’s name' : 'Name' }}
      <input v-model="signer" class="field flex-1 !min-h-[56px] text-xl" required maxlength="120" />
    </label>
    <SignaturePad @drawn="signature = $event" />
    <div class="flex gap-3">
      <button
        type="submit"
        class="rung rung-strong !min-h-[72px] text-2xl flex-1"
        v-off="!isReady && 'Write your name, and sign in the field above.'"
      >
        {{ isReady ? 'Sign' : 'Sign in the field above first' }}
      </button>
      <button type="button" class="rung !min-h-[72px] text-xl px-8" @click="emit('skip')">
        Not now, or ask first
      </button>
    </div>
  </form>
</template>
