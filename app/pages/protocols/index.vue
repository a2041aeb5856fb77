<script setup lang="ts">
import { call, refusalOf } from '~/support/api'
import { halfMinutes, shortDate } from '~/support/time'

interface Listed { id: string; name: string; version: number; steps: number; workS: number; publishedAt: string }
const protocols = ref<Listed[]>()
const trouble = ref('')
onMounted(async () => {
  try {
    protocols.value = await call<Listed[]>('/api/protocols')
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
})
</script>

<template>
  <div class="px-7 py-6 w-full max-w-4xl mx-auto">
    <h1 class="text-4xl mb-5">Protocols</h1>
    <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else-if="!protocols" class="text-soft">Opening …</p>
    <ul v-else class="border-t border-line">
      <li v-for="one in protocols" :key="one.id" class="border-b border-hair"><NuxtLink :to="`/protocols/${one.id}`" class="grid grid-cols-[1fr_auto] gap-6 py-4 px-1 hover:bg-sunk"><span class="text-xl">{{ one.name }}<span class="block text-base text-soft">version {{ one.version }}, {{ shortDate(one.publishedAt) }}</span></span><span class="text-right text-soft">{{ one.steps }} steps<span class="block">{{ halfMinutes(one.workS) }} min one after another</span></span></NuxtLink></li>
    </ul>
  </div>
</template>
