<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{
  open: boolean
  title: string
  wide?: boolean
  /** Nearly the whole screen. */ full?: boolean
  alarm?: boolean
}>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-black/45" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4 overflow-y-auto">
      <DialogPanel
        class="bg-raised border w-full"
        :class="[
          full ? 'max-w-[1200px] px-6 py-4' : 'p-7',
          full ? '' : wide ? 'max-w-3xl' : 'max-w-lg',
          alarm ? 'border-mind border-t-[6px]' : 'border-line',
        ]"
      >
        <DialogTitle
          class="display"
          :class="[full ? 'text-2xl mb-2' : 'text-3xl mb-4', alarm && 'text-mind']"
        >
          {{ title }}
        </DialogTitle>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
