<script setup lang="ts">
defineProps<{ open: boolean; number: string; address: string; off: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <PlainDialog :open="open" wide alarm title="Emergency" @close="$emit('close')">
    <p class="text-xl">Hives · swelling of lip, tongue or eyelid · tight throat · cannot breathe · faint · chest pain · sudden weakness:</p>
    <p class="text-3xl font-semibold mt-2">Stop. Call {{ number }}.</p>
    <p class="text-xl mt-1">Say: {{ address }}. Take off what is safe to take off{{ off ? `: ${off}` : '' }}. Stay with the client.</p>
    <p class="text-lg mt-5 border-t border-hair pt-3"><span class="font-semibold">Product in the eye:</span> rinse with water for 15 minutes, then a physician.</p>
    <p class="text-lg mt-2"><span class="font-semibold">Burn:</span> cool running water for 20 minutes.</p>
    <button type="button" class="rung mt-6 !min-h-[64px] w-full text-lg" @click="$emit('close')">Close the card</button>
  </PlainDialog>
</template>
