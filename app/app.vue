<script setup lang="ts">
const light = useLight()
useHead({ htmlAttrs: { 'data-light': light.current } })
</script>

<template>
  <NuxtLayout><NuxtPage /></NuxtLayout>
</template>
