<script setup lang="ts">
const { store } = useRunning()
const { layout, fromMs, totalS, nowS, currentStepIds, perhaps } = useLiveLadder()
</script>

<template>
  <LadderView
    v-if="layout && store.run"
    :layout="layout"
    :width="560"
    :rail-x="62"
    :start-ms="fromMs"
    :total-s="totalS"
    :time-zone="store.run.head.timeZone"
    v-bind="nowS === undefined ? {} : { nowS }"
    :current-step-ids="currentStepIds"
    :perhaps="perhaps"
  />
</template>
