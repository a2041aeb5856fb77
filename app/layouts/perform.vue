<script setup lang="ts">
// Perform fills the screen: no places, no other clients' names. Room light is its usual light; the button changes it.
import { ArrowLeft } from 'lucide-vue-next'

const route = useRoute()
const { current, flip } = useLight()
const leave = computed(() => `/visits/${String(route.params.id)}/prepare`)
</script>

<template>
  <div class="min-h-screen">
    <main><slot /></main>
    <nav
      aria-label="Leave Perform"
      class="xl:fixed xl:left-2 xl:bottom-2 flex gap-2 max-xl:h-14 max-sm:!h-12 max-xl:px-4 max-xl:items-center"
    >
      <NuxtLink
        class="pick grid place-items-center !px-0 text-soft"
        :to="leave"
        aria-label="Back to Prepare"
      >
        <ArrowLeft :size="18" />
      </NuxtLink>
      <button type="button" class="pick text-sm text-soft" @click="flip">{{
        current === 'day' ? 'Room light' : 'Day light'
      }}</button>
    </nav>
  </div>
</template>
