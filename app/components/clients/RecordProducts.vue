<script setup lang="ts">
import { X } from 'lucide-vue-next'
import type { ProductMemory } from '#core/client'
import type { ClientRecord } from '~/support/clients'
import { shortDate } from '~/support/time'

/** Products somebody refused or reacted to, and patch tests with what they showed. */
const props = defineProps<{ record: ClientRecord; mayWrite: boolean }>()
const emit = defineEmits<{ back: [memory: ProductMemory] }>()
const health = computed(() => props.record.health!)
const nameOf = (id: string) => health.value.productNames[id] ?? id
</script>

<template>
  <section v-if="health.memories.length > 0 || health.patchTests.length > 0" aria-label="Products">
    <h2 class="text-2xl mb-2">Products</h2>
    <ul>
      <li
        v-for="memory in health.memories"
        :key="`${memory.productId}${memory.memory}`"
        class="flex items-center gap-3 border-b border-hair min-h-[44px]"
      >
        <span class="flex-1">
          <span :class="memory.memory === 'reacted' && 'text-mind font-semibold'">
            {{ memory.memory === 'reacted' ? '⊘ reacted to' : 'refused' }}
          </span>
          {{ nameOf(memory.productId) }}
          <span class="text-sm text-soft">{{ shortDate(memory.on) }} {{ memory.note ?? '' }}</span>
        </span>
        <button
          v-if="mayWrite"
          type="button"
          class="pick grid place-items-center !px-0"
          :aria-label="`No longer: ${memory.memory} ${nameOf(memory.productId)}`"
          @click="emit('back', memory)"
        >
          <X :size="18" />
        </button>
      </li>
      <li
        v-for="(test, at) in health.patchTests"
        :key="at"
        class="flex items-baseline gap-3 border-b border-hair py-2"
      >
        <span class="flex-1"
          >{{ test.kind === 'quick' ? 'Quick check' : 'Patch test' }}:
          {{ nameOf(test.productId) }}</span
        >
        <span :class="test.result === 'reacted' && 'text-mind font-semibold'">{{
          test.result
        }}</span>
        <span class="text-sm text-soft">{{ shortDate(test.readOn ?? test.placedOn) }}</span>
      </li>
    </ul>
  </section>
</template>
