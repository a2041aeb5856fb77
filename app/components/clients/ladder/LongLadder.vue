<script setup lang="ts">
import { useElementSize } from '@vueuse/core'

/** The client's record as a ladder: time runs down, visits are its rungs, today is the line at the end. One rung is told beside it. */
const props = defineProps<{ clientId: string }>()
const route = useRoute()
const router = useRouter()
const queried = (name: string) =>
  typeof route.query[name] === 'string' ? route.query[name] : undefined
const ladder = useLongLadder(props.clientId, queried('visit'))
const { data, layout, trouble, trends } = ladder
const frame = ref<HTMLElement>()
const { width } = useElementSize(frame)
watch(width, (across) => {
  ladder.width.value = Math.floor(across)
})

const rungs = computed(() => data.value?.rungs ?? [])
const chosen = computed(
  () =>
    rungs.value.find(({ id }) => id === queried('visit')) ??
    rungs.value.findLast(({ isSigned }) => isSigned) ??
    rungs.value.at(-1),
)
const against = computed(() => rungs.value.find(({ id }) => id === queried('against')))
/** Whoever chooses a second one holds the two against each other. */
const isChoosing = ref(false)
const show = (query: Record<string, string | undefined>) =>
  router.replace({ query: { ...route.query, ...query } })
function choose(visitId: string) {
  if (isChoosing.value && visitId !== chosen.value?.id) {
    isChoosing.value = false
    return show({ visit: chosen.value?.id, against: visitId })
  }
  return show({ visit: visitId, against: undefined })
}

/** What is newest is read first, unless an address led to something older. */
watch(
  () => layout.value !== undefined,
  async (isDrawn) => {
    if (!isDrawn) return
    await nextTick()
    const { todayY, labels } = layout.value!
    const led = labels.find(({ rung }) => rung.id === queried('visit'))
    const top = led
      ? led.labelY - frame.value!.clientHeight / 2
      : todayY - frame.value!.clientHeight + 140
    frame.value!.scrollTo({ top })
  },
)
</script>

<template>
  <p v-if="trouble" role="alert" class="text-mind mt-4">{{ trouble }}</p>
  <CompareVisits
    v-else-if="data && chosen && against"
    class="mt-4"
    :data="data"
    :pair="[chosen, against]"
    @close="show({ against: undefined })"
  />
  <div
    v-else
    class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_21rem] gap-8 mt-2"
  >
    <div class="min-w-0">
      <div
        ref="frame"
        class="overflow-auto h-[calc(100dvh-16.5rem-var(--ribbon,0px))] min-h-[22rem] print:h-auto print:overflow-visible"
        tabindex="-1"
        role="region"
        aria-label="Long ladder"
      >
        <p v-if="!data" class="text-soft py-6">Opening the ladder …</p>
        <p v-else-if="rungs.length === 0" class="text-soft py-6">
          No visit yet: the ladder begins with the first.
        </p>
        <template v-if="layout">
          <LongHead :layout="layout" />
          <div class="relative" :style="{ width: `${layout.width}px` }">
            <LongDrawing :layout="layout" :chosen="chosen?.id" />
            <LongLabels
              :layout="layout"
              :chosen="chosen?.id"
              @choose="choose"
              @open="ladder.toggle($event, true)"
            />
          </div>
        </template>
      </div>
      <LongLegend
        v-if="layout"
        v-model:all-signs="ladder.allSigns.value"
        :layout="layout"
        :open="ladder.open.value"
        @fold="ladder.toggle($event, false)"
      />
    </div>
    <VisitTold
      v-if="data && chosen"
      :key="chosen.id"
      :data="data"
      :rung="chosen"
      :trends="trends"
      :choosing="isChoosing"
      @hold="isChoosing = !isChoosing"
    />
  </div>
</template>
