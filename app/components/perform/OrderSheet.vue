<script setup lang="ts">
import { callable, whyNotThere, type Callable, type RunBody } from '#core/perform'
import { ArrowDown, ArrowUp } from 'lucide-vue-next'

/** A step that is taken earlier or later: where it may go, and why not where it may not, before anything is said. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{
  close: []
  take: [said: Extract<RunBody, { type: 'called' }>]
}>()
const { store, live, plan, titleOf } = useRunning()
const { tryOut, forget, shown, whyNotTake, takeWords } = useFitPreview()
const standing = ref<Callable>({ ids: [] })
const order = ref<readonly string[]>([])
const chosen = ref<string>()
const at = computed(() => order.value.indexOf(chosen.value ?? ''))
const isMoved = computed(() => order.value.join() !== standing.value.ids.join())
const said = computed(() => {
  const after = at.value > 0 ? order.value[at.value - 1] : standing.value.after
  if (chosen.value === undefined || after === undefined || !isMoved.value) return undefined
  return { type: 'called' as const, stepId: chosen.value, after }
})
watch(
  () => props.open,
  (isOpen) => {
    if (!isOpen) return
    const written = store.run!.input.protocol.steps
    standing.value = live.value
      ? callable(plan.value!, live.value, store.state!, written)
      : { ids: [] }
    chosen.value = undefined
    again()
  },
)
function again() {
  order.value = standing.value.ids
  forget()
}
function choose(stepId: string) {
  chosen.value = stepId
  again()
}
const list = useTemplateRef<HTMLElement>('list')
/** One place, from where it stands now; it stays in sight. */
async function move(by: -1 | 1) {
  const to = at.value + by
  const rest = order.value.filter((id) => id !== chosen.value)
  order.value = [...rest.slice(0, to), chosen.value!, ...rest.slice(to)]
  if (said.value) void tryOut([said.value], (next) => whyNotThere(said.value!, plan.value!, next))
  else forget()
  await nextTick()
  list.value?.querySelector('[aria-checked="true"]')?.scrollIntoView({ block: 'nearest' })
}
const whyNotEarlier = computed(() => {
  if (at.value === -1) return 'Choose a step first.'
  const isFirst = at.value === 0 || (at.value === 1 && standing.value.after === undefined)
  return isFirst && 'Nothing that is still to come stands before it.'
})
const whyNotLater = computed(() => {
  if (at.value === -1) return 'Choose a step first.'
  return at.value === order.value.length - 1 && 'It is the last already.'
})
</script>

<template>
  <PlainDialog :open="open" wide title="Earlier, later" @close="emit('close')">
    <p v-if="order.length < 2" class="text-lg">Nothing can change places any more.</p>
    <div v-else class="grid sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6">
      <ol
        ref="list"
        class="grid gap-1 max-h-[26rem] overflow-y-auto"
        role="radiogroup"
        aria-label="What is still to come"
      >
        <li v-for="stepId in order" :key="stepId" role="presentation">
          <button
            type="button"
            role="radio"
            class="pick w-full !min-h-[64px] text-left text-lg"
            :aria-checked="chosen === stepId"
            @click="choose(stepId)"
          >
            {{ titleOf(stepId) }}
          </button>
        </li>
      </ol>
      <div>
        <div class="grid grid-cols-2 gap-2">
          <button
            type="button"
            class="rung !min-h-[72px] text-xl"
            v-off="whyNotEarlier"
            @click="move(-1)"
          >
            <ArrowUp :size="20" />Earlier
          </button>
          <button
            type="button"
            class="rung !min-h-[72px] text-xl"
            v-off="whyNotLater"
            @click="move(1)"
          >
            <ArrowDown :size="20" />Later
          </button>
        </div>
        <FitPreview
          v-if="isMoved"
          class="mt-4"
          :shown="shown"
          name="What changes"
          none="Nothing is given up for it."
        />
        <p v-else class="mt-4 text-lg text-soft">
          Choose a step, then say where it goes. What closes it goes along.
        </p>
      </div>
    </div>
    <TakeRow
      :words="takeWords"
      :why-not="whyNotTake"
      @take="said && emit('take', said)"
      @close="emit('close')"
    />
  </PlainDialog>
</template>
