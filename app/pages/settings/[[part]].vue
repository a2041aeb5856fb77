<script setup lang="ts">
import { SETTINGS } from '~/support/settings'

const session = useSessionStore()
const route = useRoute()
const parts = computed(() => SETTINGS.filter(({ can }) => session.can(can)))
const current = computed(
  () => parts.value.find(({ key }) => key === route.params.part) ?? parts.value[0],
)
</script>

<template>
  <div
    class="grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[15rem_minmax(0,1fr)] gap-10 px-7 max-md:px-4 py-6 w-full max-w-6xl mx-auto"
  >
    <nav aria-label="Parts of the settings">
      <h1 class="text-4xl mb-4">Settings</h1>
      <NuxtLink
        v-for="part in parts"
        :key="part.key"
        :to="`/settings/${part.key}`"
        class="flex items-center min-h-[44px] pl-3 border-l-4 border-transparent"
        :class="part.key === current?.key ? '!border-hands font-semibold' : 'text-soft'"
        :aria-current="part.key === current?.key ? 'page' : undefined"
      >
        {{ part.title }}
      </NuxtLink>
    </nav>
    <section v-if="current" class="min-w-0" :aria-label="current.title">
      <h2 class="text-3xl">{{ current.title }}</h2>
      <p class="text-soft mb-5">{{ current.about }}</p>
      <YouPanel v-if="current.key === 'you'" />
      <DevicePanel v-else-if="current.key === 'device'" />
      <PeoplePanel v-else-if="current.key === 'people'" />
      <TabletsPanel v-else-if="current.key === 'tablets'" />
      <SalonPanel v-else-if="current.key === 'salon'" />
      <HoursPanel v-else-if="current.key === 'hours'" />
      <WorkPanel v-else-if="current.key === 'work'" />
      <MoneyPanel v-else-if="current.key === 'money'" />
      <ConsentsPanel v-else-if="current.key === 'consents'" />
      <MessagesPanel v-else-if="current.key === 'messages'" />
      <CopiesPanel v-else-if="current.key === 'copies'" />
      <KeepingPanel v-else-if="current.key === 'keeping'" />
      <BranchesPanel v-else-if="current.key === 'branches'" />
      <LogPanel v-else-if="current.key === 'log'" />
      <DemoPanel v-else />
    </section>
  </div>
</template>
