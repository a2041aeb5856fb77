<script setup lang="ts">
const props = defineProps<{ visitId: string; disabled: boolean }>()
const emit = defineEmits<{ take: [intake: unknown] }>()
const trouble = ref('')
const MOST_BYTES = 1_000_000
async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  trouble.value = ''
  if (!file) return
  if (file.size > MOST_BYTES) { trouble.value = `${file.name} is too large for an intake (${Math.round(file.size / 1024)} kB; at most ${MOST_BYTES / 1000} kB).`; return }
  try {
    emit('take', JSON.parse(await file.text()) as unknown)
  } catch (error) {
    trouble.value = `${file.name} is no JSON file: ${(error as Error).message}`
  }
}
const href = computed(() => `/api/visits/${props.visitId}/intake`)
</script>

<template>
  <section aria-label="Intake as a file">
    <h2 class="text-xl border-b border-line pb-2">The intake as a file</h2>
    <p class="py-3 text-soft">An open JSON file of what the client said. Taking one in adds its answers to those that are here; nothing is overwritten, and a file with a fault changes nothing.</p>
    <div class="flex gap-3"><a class="rung" :href="href" download>Save as a file</a><label class="rung cursor-pointer">Take a file in<input type="file" accept="application/json,.json" class="sr-only" :disabled="disabled" @change="read"></label></div>
    <p v-if="trouble" role="alert" class="text-mind mt-3">{{ trouble }}</p>
  </section>
</template>
