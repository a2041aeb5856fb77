<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

const props = defineProps<{
  open: boolean
  title: string
  wide?: boolean
  /** Nearly the whole screen. */
  full?: boolean
  alarm?: boolean
}>()
defineEmits<{ close: [] }>()
const size = computed(() => {
  if (props.full) return 'max-w-[1200px] px-6 py-4'
  return props.wide ? 'p-7 max-w-3xl' : 'p-7 max-w-lg'
})
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-black/45" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4 overflow-y-auto">
      <DialogPanel
        class="bg-raised border w-full"
        :class="[size, alarm ? 'border-mind border-t-[6px]' : 'border-line']"
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
