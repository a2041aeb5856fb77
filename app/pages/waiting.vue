<script setup lang="ts">
import { dayAndTime } from '~/support/time'
import { whatOf } from '~/support/waiting'

const { salon } = storeToRefs(useSessionStore())
const { waiting, trouble, decide } = useWaiting()
const when = (at: string) => dayAndTime(at, salon.value?.timeZone ?? 'UTC')
</script>

<template>
  <div class="px-7 pt-6 pb-10 w-full max-w-[1100px] mx-auto">
    <h1 class="text-3xl">Waiting for you</h1>
    <p class="mt-2 max-w-[62ch]">
      A tablet could not send these before its session ended. They came sealed, and were not taken
      in by themselves. Take in what you know to be right; it is then kept as yours.
    </p>
    <p v-if="trouble" role="alert" class="mt-4 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">
      {{ trouble }}
    </p>
    <ul class="mt-6" aria-label="Changes that wait">
      <li
        v-for="change in waiting"
        :key="change.id"
        class="grid grid-cols-[1fr_auto] gap-x-8 py-4 border-t border-hair"
      >
        <div>
          <p class="text-lg font-semibold">{{ whatOf(change) }}</p>
          <p>
            {{ change.client ?? 'No visit of this salon' }}
            <span v-if="change.visitAt" class="text-soft"
              >· visit of {{ when(change.visitAt) }}</span
            >
          </p>
          <p class="text-soft text-sm mt-1">
            {{ change.by }}, {{ when(change.madeAt) }}. It came {{ when(change.receivedAt) }}.
            {{ change.reason }}
          </p>
        </div>
        <div class="flex gap-3 self-center">
          <button type="button" class="rung" @click="decide(change.id, false)">Leave out</button>
          <button type="button" class="rung rung-strong" @click="decide(change.id, true)">
            Take in
          </button>
        </div>
      </li>
      <li v-if="waiting.length === 0" class="py-4 border-t border-hair text-soft">
        Nothing waits. What tablets bring late and cannot be taken in by itself stands here.
      </li>
    </ul>
  </div>
</template>
