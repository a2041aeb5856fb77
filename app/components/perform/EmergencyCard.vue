<script setup lang="ts">
import { EMERGENCIES } from '#core/safety'

defineProps<{ open: boolean; number: string; address: string; off: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <PlainDialog :open="open" wide alarm title="Emergency" @close="$emit('close')">
    <p class="text-xl">{{ EMERGENCIES[0]!.signs }}:</p>
    <p class="text-3xl font-semibold mt-2">Stop. Call {{ number }}.</p>
    <p class="text-xl mt-1">
      Say: {{ address }}. {{ EMERGENCIES[0]!.then }}<span v-if="off"> {{ off }}.</span>
    </p>
    <p
      v-for="emergency in EMERGENCIES.slice(1)"
      :key="emergency.id"
      class="text-lg mt-3 border-t border-hair pt-3"
    >
      <span class="font-semibold">{{ emergency.signs }}:</span> {{ emergency.act }}
      {{ emergency.then }}
    </p>
    <button type="button" class="rung mt-6 !min-h-[64px] w-full text-lg" @click="$emit('close')">
      Close the card
    </button>
  </PlainDialog>
</template>
