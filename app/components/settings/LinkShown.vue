<script setup lang="ts">
import { useClipboard } from '@vueuse/core'

/** A link that sets a password: to be copied, or printed and handed over. */
const props = defineProps<{ name: string; url: string; hours: number }>()
const { copy, copied } = useClipboard({ legacy: true })
const print = () => window.print()
const select = (event: Event) => (event.target as HTMLInputElement).select()
</script>

<template>
  <section class="border border-now bg-now-ground p-4 mt-2" aria-label="The link">
    <p class="mb-2">
      For <strong>{{ props.name }}</strong>: this link sets the password. It works once, within
      {{ hours }} hours.
    </p>
    <div class="flex gap-2">
      <input class="field flex-1 min-w-0" readonly aria-label="Link" :value="url" @focus="select" />
      <button type="button" class="rung no-print" @click="copy(url)">
        {{ copied ? 'Copied' : 'Copy' }}
      </button>
      <button type="button" class="rung no-print" @click="print">Print</button>
    </div>
  </section>
</template>
