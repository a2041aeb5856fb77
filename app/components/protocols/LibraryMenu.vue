<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { MoreHorizontal } from 'lucide-vue-next'
import type { Shelved } from '~/support/protocols/library'

/** What is done with a protocol from the library. */
defineProps<{ protocol: Shelved }>()
const emit = defineEmits<{ copy: []; 'put-away': [] }>()
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      class="pick !px-0 grid place-items-center !border-transparent"
      :aria-label="`More of ${protocol.name}`"
    >
      <MoreHorizontal :size="20" />
    </MenuButton>
    <MenuItems
      class="absolute right-0 mt-1 w-52 bg-raised border border-line z-30 focus:outline-none"
    >
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="w-full text-left px-4 h-11"
          :class="active && 'bg-sunk'"
          @click="emit('copy')"
        >
          Copy
        </button>
      </MenuItem>
      <MenuItem v-if="protocol.version" v-slot="{ active }">
        <a
          class="block px-4 h-11 leading-11"
          :class="active && 'bg-sunk'"
          :href="`/api/protocols/${protocol.id}/file`"
          download
        >
          Take the file
        </a>
      </MenuItem>
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="w-full text-left px-4 h-11"
          :class="active && 'bg-sunk'"
          @click="emit('put-away')"
        >
          {{ protocol.archived ? 'Back to the library' : 'Put away' }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
