<script setup lang="ts">
const light = useLight()
useHead({ htmlAttrs: { 'data-light': light.current } })
const session = useSessionStore()
const guard = useGuardStore()
</script>

<template>
  <NuxtLayout><NuxtPage /></NuxtLayout>
  <OffReason />
  <CoverScreen v-if="session.account && (session.tablet || guard.covered)" />
</template>
