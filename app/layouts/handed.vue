<script setup lang="ts">
// In a client's hands: no places, no names of others, nothing to go to.
</script>

<template>
  <main class="min-h-screen flex flex-col"><slot /></main>
</template>
