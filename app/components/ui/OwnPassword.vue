<script setup lang="ts">
/** One's own password once more, before something that is not undone or changes how one signs in. */
const password = defineModel<string>({ required: true })
</script>

<template>
  <label class="flex flex-col gap-1 text-sm text-soft">
    Your password
    <input
      v-model="password"
      class="field !text-ink"
      type="password"
      autocomplete="current-password"
      required
    />
  </label>
</template>
