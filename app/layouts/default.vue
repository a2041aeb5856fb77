<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Moon, Sun } from 'lucide-vue-next'

import { refusalOf } from '~/support/api'

const session = useSessionStore()
const { current, flip } = useLight()
const { waiting } = useWaiting()
const places = computed(() => [
  { to: '/', name: 'Today' },
  ...(session.can('booking') ? [{ to: '/clients', name: 'Clients' }] : []),
  { to: '/protocols', name: 'Protocols' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/rules', name: 'Rules' },
  { to: '/settings', name: 'Settings' },
  ...(waiting.value.length > 0
    ? [{ to: '/waiting', name: `Waiting for you: ${waiting.value.length}` }]
    : []),
])

const route = useRoute()
/** A place is where one is on every page below it. */
const isAt = (to: string) => (to === '/' ? route.path === '/' : route.path.startsWith(to))

const isDemo = computed(() => session.account !== null && session.world === 'demo')

const trouble = ref('')
const WAYS_OUT = [
  { words: 'Sign out', everywhere: false },
  { words: 'Sign out everywhere', everywhere: true },
]
const { others, refused, goTo } = useOtherSalons()
async function leave(everywhere: boolean) {
  try {
    await session.signOut(everywhere)
    await navigateTo('/sign-in')
  } catch (error) {
    trouble.value =
      refusalOf(error).status === 0
        ? 'No connection: you stay signed in. Sign out when the network is back.'
        : refusalOf(error).detail
  }
}
</script>

<template>
  <!-- What is as high as the screen leaves room for the ribbon. -->
  <div class="min-h-screen flex flex-col" :class="isDemo && '[--ribbon:2rem]'">
    <DemoRibbon v-if="isDemo" />
    <nav
      v-if="session.account"
      aria-label="Places"
      class="flex flex-wrap items-center gap-x-6 gap-y-1 px-7 max-md:px-4 min-h-14 border-b border-hair"
    >
      <NuxtLink to="/" class="flex items-center gap-2.5 font-display text-lg">
        <img src="/icon.svg" alt="" width="24" height="24" />
        Zen Ladder
      </NuxtLink>
      <div
        class="flex flex-wrap h-14 ml-2 max-lg:order-last max-lg:ml-0 max-lg:w-full max-lg:h-auto"
      >
        <NuxtLink
          v-for="place in places"
          :key="place.to"
          :to="place.to"
          class="px-4 max-sm:px-2.5 h-full max-lg:h-11 flex items-center border-b-2 border-transparent text-soft"
          :class="isAt(place.to) && '!border-now !text-ink font-semibold'"
        >
          {{ place.name }}
        </NuxtLink>
      </div>
      <span class="ml-auto text-soft text-sm max-sm:hidden">{{ session.salon?.name }}</span>
      <button
        type="button"
        class="pick grid place-items-center !px-0 max-sm:ml-auto"
        :aria-label="current === 'day' ? 'Change to Room light' : 'Change to Day light'"
        @click="flip"
      >
        <Moon v-if="current === 'day'" :size="19" />
        <Sun v-else :size="19" />
      </button>
      <Menu as="div" class="relative">
        <MenuButton class="rung">{{ session.account.name }}</MenuButton>
        <MenuItems
          class="absolute right-0 mt-1 w-56 bg-raised border border-line z-30 rounded-[2px] focus:outline-none"
        >
          <MenuItem v-for="other in others" :key="other.accountId" v-slot="{ active }">
            <button
              type="button"
              class="w-full text-left px-4 h-12 truncate border-b border-hair"
              :class="active && 'bg-sunk'"
              @click="goTo(other.accountId)"
            >
              To {{ other.name }}
            </button>
          </MenuItem>
          <MenuItem v-for="way in WAYS_OUT" :key="way.words" v-slot="{ active }">
            <button
              type="button"
              class="w-full text-left px-4 h-12"
              :class="active && 'bg-sunk'"
              @click="leave(way.everywhere)"
            >
              {{ way.words }}
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
    </nav>
    <p
      v-if="trouble || refused"
      role="alert"
      class="px-7 py-2 bg-mind-ground border-b border-mind"
      >{{ trouble || refused }}</p
    >
    <SetAside />
    <main class="flex-1 flex flex-col"><slot /></main>
  </div>
</template>
