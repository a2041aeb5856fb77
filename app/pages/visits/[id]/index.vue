<script setup lang="ts">
await navigateTo(`/visits/${String(useRoute().params.id)}/consult`, { replace: true })
</script>

<template><div /></template>
