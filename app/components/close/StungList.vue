<script setup lang="ts">
import { reduceRun } from '#core/perform'
import { stungProducts, type Stung } from '~/support/close/stung'

/** What stung beyond what is expected of it: remembered as a reaction only when somebody says so. Remembered, it falls out of every choice. */
const store = useVisitStore()
const { trouble, mayWrite, remember } = useMemories()
const stung = computed(() => {
  const { plan, events, input } = store.data!
  return plan ? stungProducts(reduceRun(plan.plan, events), input.shelf, input.client.memories) : []
})

const rememberReacted = ({ productId, felt }: Stung) =>
  remember({ productId, memory: 'reacted', note: `${felt} during the visit` })
</script>

<template>
  <section v-if="stung.length > 0" class="mt-4 border-l-4 border-mind pl-3" aria-label="Reacted to">
    <p
      v-for="one in stung"
      :key="one.productId"
      class="flex flex-wrap items-center gap-x-3 gap-y-1 min-h-[44px]"
    >
      <span class="flex-1 min-w-[12rem]">
        <span class="font-semibold">{{ one.name }}</span>: {{ one.felt }}, more than expected
      </span>
      <span v-if="one.isKnown" class="text-soft">remembered as reacted</span>
      <button v-else-if="mayWrite" type="button" class="rung" @click="rememberReacted(one)">
        Remember: reacted
      </button>
      <span v-else class="text-soft">a practitioner may remember it</span>
    </p>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
  </section>
</template>
