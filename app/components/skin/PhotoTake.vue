<script setup lang="ts">
import type { MapView } from '#core/skin'
import { viewOf } from '~/skin-map/shapes'

/** A photograph is taken or dragged in, and laid under the outline before it is kept. */
const props = defineProps<{
  view: MapView
  mayTake: boolean
  mayPublish: boolean
  add: (file: Blob) => Promise<boolean>
}>()
const isBusy = ref(false)
const isDragging = ref(false)
const shown = shallowRef<{ url: string; file: Blob }>()

function drop() {
  if (shown.value) URL.revokeObjectURL(shown.value.url)
  shown.value = undefined
}
function show(file: Blob | undefined) {
  drop()
  if (file) shown.value = { url: URL.createObjectURL(file), file }
}
async function keep() {
  isBusy.value = true
  const isKept = await props.add(shown.value!.file)
  isBusy.value = false
  if (isKept) drop()
}
function onDrop(event: DragEvent) {
  isDragging.value = false
  show(event.dataTransfer?.files[0])
}
function onFile(event: Event) {
  const input = event.target as HTMLInputElement
  show(input.files?.[0])
  input.value = ''
}
onBeforeUnmount(drop)
</script>

<template>
  <div>
    <label
      class="relative block border border-dashed border-line h-72 cursor-pointer overflow-hidden"
      :class="isDragging && 'bg-now-ground'"
      @dragover.prevent="isDragging = true"
      @dragleave="isDragging = false"
      @drop.prevent="onDrop"
    >
      <img
        v-if="shown"
        :src="shown.url"
        alt="The photograph to be kept"
        class="absolute inset-0 w-full h-full object-cover"
      />
      <svg
        viewBox="0 0 400 520"
        class="absolute inset-0 w-full h-full pointer-events-none"
        aria-hidden="true"
      >
        <path
          :d="viewOf(view).outline"
          fill="none"
          stroke="var(--now)"
          stroke-width="3"
          stroke-dasharray="8 6"
        />
        <path
          d="M0 198 H400 M200 0 V520"
          stroke="var(--now)"
          stroke-width="1"
          stroke-dasharray="3 6"
        />
      </svg>
      <span v-if="!shown" class="absolute inset-x-0 top-24 text-center">
        <span class="bg-ground px-2 py-1">Drag one in,<br />or touch for the camera</span>
      </span>
      <input
        type="file"
        accept="image/*"
        capture="environment"
        class="sr-only"
        aria-label="Photograph"
        :disabled="!mayTake"
        @change="onFile"
      />
    </label>
    <p class="text-sm text-soft mt-1">Eyes on the line, face within the outline.</p>
    <div v-if="shown" class="flex gap-2 mt-2">
      <button type="button" class="rung rung-strong flex-1" :disabled="isBusy" @click="keep">
        {{ isBusy ? 'Keeping …' : 'Keep it' }}
      </button>
      <button type="button" class="rung" @click="drop">Take again</button>
    </div>
    <p class="text-sm text-soft mt-3">{{
      mayPublish
        ? 'May be shown to others: signed.'
        : 'For the record only: not to be shown to others.'
    }}</p>
  </div>
</template>
