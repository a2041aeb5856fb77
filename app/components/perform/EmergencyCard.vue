<script setup lang="ts">
import { EMERGENCIES, emergencySteps } from '#core/safety'

/** By kind, without a network: what is seen on the left, what to do on the right; the number is always there. */
const props = defineProps<{ open: boolean; number: string; address: string; off: string }>()
defineEmits<{ close: [] }>()
const kind = ref(EMERGENCIES[0]!)
watch(
  () => props.open,
  () => {
    kind.value = EMERGENCIES[0]!
  },
)
const steps = computed(() => emergencySteps(kind.value, props))
</script>

<template>
  <PlainDialog :open="open" full alarm title="Emergency" @close="$emit('close')">
    <p class="text-xl">
      <span class="font-semibold">Call {{ number }}</span> · {{ address }}
    </p>
    <div
      class="grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[21rem_minmax(0,1fr)] gap-7 mt-3 min-h-[30rem]"
    >
      <ul class="flex flex-col gap-1.5" aria-label="What is it">
        <li v-for="emergency in EMERGENCIES" :key="emergency.id">
          <button
            type="button"
            class="pick w-full !min-h-[58px] !text-lg !justify-start text-left"
            :aria-pressed="kind.id === emergency.id"
            @click="kind = emergency"
          >
            {{ emergency.name }}
          </button>
        </li>
      </ul>
      <section :aria-label="kind.name">
        <p class="text-lg text-soft">{{ kind.signs }}</p>
        <ol class="mt-3 flex flex-col gap-3">
          <li
            v-for="(step, at) in steps"
            :key="step"
            class="grid grid-cols-[2.2rem_1fr] text-2xl leading-snug"
            :class="at === 0 && 'font-semibold'"
          >
            <span class="text-mind" aria-hidden="true">{{ at + 1 }}</span>
            <span>{{ step }}</span>
          </li>
        </ol>
        <p class="mt-5 text-soft border-t border-hair pt-3">
          Afterwards write down what happened, when, with which product and lot. The salon’s own
          protocol and the emergency service come first.
        </p>
      </section>
    </div>
    <button type="button" class="rung mt-4 !min-h-[64px] w-full text-lg" @click="$emit('close')">
      Close the card
    </button>
  </PlainDialog>
</template>
