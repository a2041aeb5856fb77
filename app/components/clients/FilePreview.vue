<script setup lang="ts">
import type { ClientsRead } from '#core/csv'
import { shortDate } from '~/support/time'

/** What is good in the file, and what is not, row by row. */
const props = defineProps<{ read: ClientsRead }>()
const FAULTS_SHOWN = 200
const ROWS_SHOWN = 40
const count = computed(() => props.read.rows.length + props.read.faults.length)
</script>

<template>
  <p class="mt-3">
    <span class="display text-3xl">{{ read.rows.length }}</span> good rows of {{ count }}
  </p>
  <div v-if="read.faults.length > 0" class="mt-2">
    <p class="font-semibold text-mind">
      {{ read.faults.length }} {{ read.faults.length === 1 ? 'fault' : 'faults' }}
    </p>
    <div
      class="max-h-44 overflow-y-auto"
      tabindex="0"
      role="region"
      aria-label="Faults of the file"
    >
      <p
        v-for="fault in read.faults.slice(0, FAULTS_SHOWN)"
        :key="fault.row"
        class="border-t border-hair py-1"
      >
        Row {{ fault.row }}: {{ fault.says }}
      </p>
    </div>
  </div>
  <div
    v-if="read.rows.length > 0"
    class="max-h-52 overflow-y-auto mt-3"
    tabindex="0"
    role="region"
    aria-label="What is in the file"
  >
    <table class="w-full">
      <tbody>
        <tr
          v-for="row in read.rows.slice(0, ROWS_SHOWN)"
          :key="`${row.name}${row.bornOn}`"
          class="border-t border-hair"
        >
          <td class="py-1" dir="auto">{{ row.name }}</td>
          <td class="text-soft">{{ shortDate(row.bornOn) }}</td>
          <td class="text-soft">{{ row.phone }}</td>
          <td class="text-soft">{{ row.email }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="read.rows.length > ROWS_SHOWN" class="py-1 text-soft">
      and {{ read.rows.length - ROWS_SHOWN }} more
    </p>
  </div>
</template>
