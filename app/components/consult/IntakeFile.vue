<script setup lang="ts">
import { chosenText } from '~/support/files'

const props = defineProps<{ visitId: string; disabled: boolean }>()
const emit = defineEmits<{ take: [intake: unknown] }>()
const trouble = ref('')
async function read(event: Event) {
  const chosen = await chosenText(event, { bytes: 1_000_000, what: 'an intake' })
  trouble.value = chosen && 'trouble' in chosen ? chosen.trouble : ''
  if (!chosen || !('text' in chosen)) return
  try {
    emit('take', JSON.parse(chosen.text) as unknown)
  } catch (error) {
    trouble.value = `${chosen.name} is no JSON file: ${(error as Error).message}`
  }
}
const href = computed(() => `/api/visits/${props.visitId}/intake`)
</script>

<template>
  <section aria-label="Intake as a file">
    <h2 class="text-xl border-b border-line pb-2">The intake as a file</h2>
    <p class="py-3 text-soft">
      An open JSON file of what the client said. Taking one in adds its answers to those that are
      here; nothing is overwritten, and a file with a fault changes nothing.
    </p>
    <div class="flex gap-3">
      <a class="rung" :href="href" download> Save as a file </a>
      <label class="rung cursor-pointer">
        Take a file in<input
          type="file"
          accept="application/json,.json"
          class="sr-only"
          :disabled="disabled"
          @change="read"
        />
      </label>
    </div>
    <p v-if="trouble" role="alert" class="text-mind mt-3">{{ trouble }}</p>
  </section>
</template>
