<script setup lang="ts">
import { whereabouts } from '#core/perform'
import { clockTime } from '~/support/time'

/** Everything between the header and the big target: what the hands do, what lies on the skin, what was fitted again. */
defineProps<{ waiting: boolean; fitTrouble: string }>()
const emit = defineEmits<{ again: [] }>()
const {
  store,
  plan,
  live,
  now,
  startedMs,
  finished,
  hands,
  first,
  timeZone,
  titleOf,
  expectOf,
  signOf,
} = useRunning()
const { follows, may } = useLead()
const where = computed(() => whereabouts(store.state?.absences ?? []))
</script>

<template>
  <div
    v-if="plan && live"
    class="flex-1 min-h-0 pt-3 flex flex-col max-sm:overflow-y-auto"
    aria-live="polite"
  >
    <div
      class="flex-1 min-h-0 overflow-y-auto max-sm:flex-none max-sm:overflow-visible"
      tabindex="0"
      aria-label="At the hands"
      role="region"
    >
      <BeforeStart v-if="startedMs === undefined" />
      <template v-else-if="finished">
        <h1 class="display text-4xl mt-3">The visit is over</h1>
        <NuxtLink
          class="text-link text-xl mt-1 inline-block"
          :to="`/visits/${store.run?.visitId}/close`"
        >
          Close it
        </NuxtLink>
        <RoomTurnover class="mt-4" />
      </template>
      <HandsAway v-else-if="where !== 'here'" :where="where" />
      <AtWork v-else-if="hands" :hands="hands" />
      <TouchWait
        v-else-if="live.touch"
        :at="live.touch.at"
        :lasts-ms="live.touch.lastsMs"
        words="Ready? Its clock begins at the first touch"
      />
      <TouchWait
        v-else-if="live.lot"
        :at="live.lot"
        :lasts-ms="live.lot.toMs - live.lot.fromMs"
        words="Ready? It begins once its lot and depth are said"
      />
      <HandsFree v-else-if="first" :layer="first" />
      <h1 v-else-if="live.allDone" class="display text-5xl mt-8">Everything is done</h1>
      <h1 v-else class="display text-4xl mt-8">
        Hands free until {{ clockTime(live.freeUntilMs ?? now, timeZone) }}
      </h1>
      <p v-if="waiting" class="text-lg text-now">
        Everything after it waits for your answer<template
          v-for="gate in plan.open"
          :key="gate.gateId"
          >; perhaps {{ gate.stepIds.map(titleOf).join(', ').toLowerCase() }},
          {{ gate.words }} </template
        >.
      </p>
      <FittedAgain />
      <p v-if="fitTrouble" role="alert" class="text-mind mt-2">
        It could not be fitted again: {{ fitTrouble }} Go on as planned.
      </p>
    </div>
    <FetchLine v-if="startedMs !== undefined && !finished" class="shrink-0" />
    <OutcomeCard v-if="startedMs !== undefined && !follows" />
    <HandsMove
      v-if="!finished && hands && where === 'here'"
      :key="hands.segment.id"
      :hands="hands"
      @again="emit('again')"
    />
    <DeviceSet
      v-if="
        !finished && where === 'here' && hands?.segment.kind === 'apply' && may(hands.segment.id)
      "
      :key="hands.segment.stepId"
      class="shrink-0 mt-2"
      :step-id="hands.segment.stepId"
    />
    <!-- What lies on the skin is never scrolled away. -->
    <section
      v-if="!finished"
      class="shrink-0 mt-2 max-sm:sticky max-sm:bottom-0 max-sm:bg-ground"
      aria-label="On the skin now"
    >
      <LayerClock
        v-for="layer in live.layers"
        :key="layer.segmentId"
        :layer="layer"
        :title="titleOf(layer.stepId)"
        :shown-big="where === 'here' && !hands && !live.touch && layer === first"
        :expect="expectOf(layer)"
        :now-ms="now"
        :sign="follows ? undefined : signOf(layer)"
        @not-yet="store.say({ type: 'not-yet', segmentId: layer.segmentId })"
      />
    </section>
  </div>
</template>
