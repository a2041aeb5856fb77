<script setup lang="ts">
import { refusalOf } from '~/support/api'

const session = useSessionStore()
const route = useRoute()
const trouble = ref('')
const busy = ref(false)
const byPassword = ref(false)
const back = computed(() => {
  const { back: to } = route.query
  return typeof to === 'string' && to.startsWith('/') ? to : '/'
})
const onTablet = computed(() => session.tablet !== null && !byPassword.value)
const entered = () => navigateTo(back.value)

async function openDemo() {
  busy.value = true
  trouble.value = ''
  try {
    await session.openDemo()
    await entered()
  } catch (error) {
    trouble.value = refusalOf(error).detail
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="onTablet" class="flex-1 min-h-screen flex flex-col gap-10 items-center px-10 py-14">
    <header class="w-full max-w-3xl flex items-baseline gap-4">
      <h1 class="text-4xl">{{ session.tablet!.salon }}</h1>
      <span class="text-soft">{{ session.tablet!.name }}</span>
    </header>
    <TabletTiles @entered="entered" @password="byPassword = true" />
  </div>
  <div v-else class="flex-1 grid grid-cols-[minmax(0,1fr)_30rem] min-h-screen">
    <div class="px-16 py-14 flex flex-col justify-between border-r border-hair">
      <div>
        <h1 class="text-6xl leading-[1.05]">Zen Ladder</h1>
        <p class="mt-5 text-xl max-w-[30ch] text-soft">
          Write the protocol. Fit it to this skin, today. Perform it with your hands free.
        </p>
      </div>
      <SignInLadder class="w-full max-w-xl" />
      <p class="text-sm text-soft max-w-[70ch]">
        Not medical advice. Local law, your licence and the maker’s instructions come first; the
        decision stays with you.
      </p>
    </div>
    <div class="px-12 py-14 flex flex-col justify-center gap-8 bg-raised">
      <div v-if="session.isNew">
        <NuxtLink to="/set-up" class="rung rung-strong w-full !min-h-[64px] text-lg">
          Start your own salon
        </NuxtLink>
        <p class="mt-2 text-sm text-soft">Five short parts, under five minutes.</p>
      </div>
      <PasswordForm v-if="!session.isNew" @entered="entered" />
      <div v-if="session.demo">
        <button
          type="button"
          class="rung w-full text-lg"
          :class="session.isNew ? '!min-h-[64px]' : '!min-h-[52px]'"
          :disabled="busy"
          @click="openDemo"
        >
          Open the demo studio
        </button>
        <p class="mt-2 text-sm text-soft">
          Saltgrass Studio, with today’s visits. Everybody in it is invented.
        </p>
        <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      </div>
      <PasswordForm v-if="session.isNew" @entered="entered" />
      <button v-if="byPassword" type="button" class="rung" @click="byPassword = false">
        With a PIN
      </button>
    </div>
  </div>
</template>
