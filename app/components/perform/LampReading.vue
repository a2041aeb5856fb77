<script setup lang="ts">
import type { Reading } from '#core/skin'
import { startOfSeed } from '~/support/seed'
import { minutesSeconds } from '~/support/time'

defineProps<{ reading: Reading | undefined }>()
const emit = defineEmits<{ painted: [reading: Reading]; keep: []; close: []; emergency: [] }>()
const { store, now, first, titleOf } = useRunning()
const leftS = computed(() => (first.value ? (first.value.dueMs - now.value) / 1000 : 0))
</script>

<template>
  <PlainDialog
    :open="reading !== undefined"
    full
    title="Read the skin, under the lamp"
    @close="emit('close')"
  >
    <template v-if="reading && store.run">
      <SkinReader
        :model-value="reading"
        :last-reading="store.run.lastReading"
        :disabled="false"
        gloves
        :probe-seed="startOfSeed(store.run.head.clientId)"
        @update:model-value="emit('painted', $event)"
      />
      <div class="flex items-center gap-3 sticky -bottom-4 bg-raised pt-3 pb-2">
        <p v-if="first" class="text-lg w-52 leading-tight" aria-live="off">
          <span class="block text-3xl tabular-nums" :class="leftS <= 0 && 'text-mind'">
            {{ leftS <= 0 ? '+' : '' }}{{ minutesSeconds(Math.abs(leftS)) }}
          </span>
          {{ titleOf(first.stepId) }}
        </p>
        <button type="button" class="rung !min-h-[72px] text-lg" @click="emit('close')">
          Not now
        </button>
        <button
          type="button"
          class="rung !min-h-[72px] !border-mind text-mind"
          @click="emit('emergency')"
        >
          Emergency
        </button>
        <button
          type="button"
          class="rung rung-strong !min-h-[72px] flex-1 text-xl"
          @click="emit('keep')"
        >
          Read: fit the rest from now
        </button>
      </div>
    </template>
  </PlainDialog>
</template>
