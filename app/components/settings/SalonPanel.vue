<script setup lang="ts">
const { settings, trouble, done, saveFacts } = useSettings()
</script>

<template>
  <div class="max-w-3xl">
    <SaveState :trouble="trouble" :done="done" />
    <SalonFields
      v-if="settings"
      :facts="settings.facts"
      @change="saveFacts"
      @moved="saveFacts({ ...settings.facts, timeZone: $event })"
    />
    <ul class="mt-6 text-soft list-disc pl-5 flex flex-col gap-1">
      <li>The emergency number stands on the emergency card, also without a network.</li>
      <li>Visits keep their moment when the time zone changes; their times on the clock move.</li>
      <li>The currency names amounts; it does not convert them.</li>
    </ul>
  </div>
</template>
