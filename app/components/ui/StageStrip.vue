<script setup lang="ts">
import { preloadStages, STAGES } from '~/support/stages'

const props = defineProps<{ visitId: string }>()
const route = useRoute()
const isHere = (path: string) => route.path.endsWith(`/${path}`)
const to = (path: string) => `/visits/${props.visitId}/${path}`
onMounted(preloadStages)
</script>

<template>
  <ol
    aria-label="Stages of the visit"
    class="flex flex-wrap items-stretch border-y border-line min-h-11"
  >
    <li
      v-for="(stage, at) in STAGES"
      :key="stage.path"
      class="flex"
      :class="at > 0 && 'border-l border-hair'"
    >
      <NuxtLink
        :to="to(stage.path)"
        :aria-current="isHere(stage.path) ? 'step' : undefined"
        class="px-4 max-sm:px-3 min-h-11 flex items-center"
        :class="isHere(stage.path) ? 'bg-ink text-ground font-semibold' : 'text-soft hover:bg-sunk'"
      >
        {{ stage.name }}
      </NuxtLink>
    </li>
  </ol>
</template>
