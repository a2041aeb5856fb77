<script setup lang="ts">
/** One rung of the way: open with its form, or folded to a line. */
defineProps<{ number: number; title: string; summary: string; open: boolean; isLast: boolean }>()
const emit = defineEmits<{ open: [] }>()
</script>

<template>
  <li class="grid grid-cols-[4rem_1fr]">
    <div class="relative flex justify-center" aria-hidden="true">
      <span
        class="absolute w-px bg-line"
        :class="[number === 1 ? 'top-7' : 'top-0', isLast ? 'h-7' : 'bottom-0']"
      />
      <span
        class="relative mt-3.5 w-9 h-7 grid place-items-center border text-sm"
        :class="open ? 'bg-hands border-hands text-on-strong' : 'bg-ground border-line'"
      >
        {{ number }}
      </span>
    </div>
    <section class="border-b border-hair pb-1" :aria-label="title">
      <h2 class="text-2xl">
        <button
          type="button"
          class="w-full text-left flex items-baseline gap-4 min-h-[56px] pt-3"
          :aria-expanded="open"
          @click="emit('open')"
        >
          {{ title }}
          <span v-if="!open" class="font-sans text-base text-soft truncate">{{ summary }}</span>
        </button>
      </h2>
      <div v-if="open" class="pb-5 pt-2"><slot /></div>
    </section>
  </li>
</template>
