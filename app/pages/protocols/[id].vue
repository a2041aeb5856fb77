<script setup lang="ts">
const id = String(useRoute().params.id)
const card = useCard(id)
const { state, shelf, sketched, changed, saved, trouble, opened, history } = card
const session = useSessionStore()
const mayWrite = computed(() => session.can('protocol.write'))
const chosen = usePicked(card)
const { cursor, picked, steps, current } = chosen
const rungs = useRungs(card, chosen)
const { said, switching, method, houseWay } = useMethods(card)
const side = ref<'step' | 'methods' | 'course'>('step')
const panel = ref<'keys' | 'compare' | 'publish'>()
const published = ref('')
const search = ref<{ focus: () => void }>()
const ladder = ref<{ focus: () => void }>()
onMounted(async () => {
  await card.load()
  chosen.choose(steps.value[0]?.id)
  if (steps.value.length === 0 && mayWrite.value) await nextTick(() => search.value?.focus())
})
const wrong = computed(
  () => sketched.value?.findings.filter(({ level }) => level === 'wrong') ?? [],
)
const wrongWords = computed(() =>
  wrong.value.length === 1 ? 'One wrong order' : `${wrong.value.length} wrong orders`,
)
const nextVersion = computed(() => (opened.value?.version?.version ?? 0) + 1)

function onCursor(rung: string, extend: boolean, toggle: boolean) {
  side.value = 'step'
  if (toggle) chosen.toggle(rung)
  else if (extend) chosen.extendTo(rung)
  else chosen.choose(rung)
}
function openStep() {
  side.value = 'step'
  void nextTick(() => document.getElementById('step-title')?.focus())
}
async function publish(note: string) {
  const version = await card.publish(note)
  if (version === undefined) return
  panel.value = undefined
  published.value = `Version ${version} is published. Visits booked before keep theirs.`
}
function askToPublish() {
  if (changed.value && mayWrite.value) panel.value = 'publish'
}
function help() {
  panel.value = 'keys'
}
useBuilderKeys({ undo: rungs.undo, redo: rungs.redo, publish: askToPublish, help })
const print = () => window.print()
const NOTE = 'mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind no-print'
</script>

<template>
  <div class="px-7 pt-4 pb-6 w-full max-w-[1400px] mx-auto">
    <template v-if="opened">
      <BuilderHead
        :name="state.name"
        :version="opened.version?.version"
        :saved="saved"
        :sketch="sketched"
        :may-write="mayWrite"
        @rename="card.put({ name: $event })"
      />
      <p v-if="trouble" role="alert" :class="NOTE">{{ trouble }}</p>
      <p v-if="published" role="status" class="mb-3 text-calm no-print">{{ published }}</p>
      <p v-if="sketched?.problem" role="alert" :class="NOTE">{{ sketched.problem }}</p>
      <div
        class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_24.5rem] gap-8 no-print"
      >
        <div>
          <div class="flex items-center gap-2 mb-2 sticky top-0 z-10 bg-ground py-2">
            <StepSearch
              v-if="mayWrite"
              ref="search"
              class="flex-1"
              :standing="current?.phase ?? 'start'"
              @add="rungs.add"
              @leave="ladder?.focus()"
            />
            <button
              v-if="wrong.length > 0"
              type="button"
              class="rung !border-mind text-mind whitespace-nowrap"
              v-off="
                !wrong.some(({ mended }) => mended) &&
                'No mend is known: it stands at the rung what is wrong.'
              "
              @click="rungs.mend(wrong[0]!.stepId)"
            >
              ✕ {{ wrongWords }}: mend
            </button>
            <button
              type="button"
              class="pick"
              v-off="!history.canUndo.value && 'Nothing was changed here yet.'"
              @click="rungs.undo"
            >
              Undo
            </button>
            <button
              type="button"
              class="pick"
              v-off="!history.canRedo.value && 'Nothing was taken back.'"
              @click="rungs.redo"
            >
              Redo
            </button>
          </div>
          <BuilderLadder
            v-if="steps.length > 0"
            ref="ladder"
            :steps="steps"
            :sketch="sketched"
            :shelf="shelf"
            :cursor="cursor"
            :picked="picked"
            :disabled="!mayWrite"
            @cursor="onCursor"
            @move="rungs.move"
            @dropped="rungs.drop"
            @remove="rungs.remove"
            @copy="rungs.copy"
            @mend="rungs.mend"
            @open="openStep"
            @add="search?.focus()"
          />
          <div v-else class="border-y border-line py-10 text-center text-soft">
            <p class="text-xl text-ink">An empty ladder.</p>
            <p>Type two letters above: “fi” for the first cleanse, “ma” for a mask.</p>
          </div>
        </div>
        <aside
          class="sticky top-2 self-start h-[calc(100vh-9.8rem-var(--ribbon,0px))] min-h-[24rem] flex flex-col"
          aria-label="Details"
        >
          <BuilderSide
            v-model="side"
            :card="state"
            :current="current"
            :picked="picked.size"
            :shelf="shelf"
            :sketch="sketched"
            :said="said"
            :busy="switching"
            :may-write="mayWrite"
            :others="opened.others"
            @change="rungs.change"
            @move="rungs.move"
            @copy="rungs.copy"
            @remove="rungs.remove"
            @mend="rungs.mend"
            @method="method"
            @house="houseWay(session.salon?.methods ?? {})"
            @course="card.put({ course: $event })"
            @keys="help"
            @print="print"
          />
          <div class="flex flex-wrap gap-2 border-t border-line mt-2 pt-3">
            <button
              v-if="mayWrite"
              type="button"
              class="rung rung-strong flex-1 whitespace-nowrap !px-2"
              v-off="
                (steps.length === 0 && 'A card needs at least one step.') ||
                (!changed && 'Nothing is changed since the version in force.')
              "
              @click="panel = 'publish'"
            >
              Publish version {{ nextVersion }}
            </button>
            <button type="button" class="rung !px-3" @click="panel = 'compare'">Compare</button>
            <button
              v-if="changed && opened.version && mayWrite"
              type="button"
              class="rung !px-3 whitespace-nowrap"
              @click="card.put(card.published.value)"
            >
              Back to {{ opened.version.version }}
            </button>
          </div>
        </aside>
      </div>
      <ProtocolCard
        :name="state.name"
        :version="opened.version?.version"
        :changed="changed"
        :steps="steps"
        :sketch="sketched"
        :shelf="shelf"
        :course="state.course"
      />
      <PlainDialog :open="panel === 'keys'" title="Keys" @close="panel = undefined">
        <BuilderKeys />
      </PlainDialog>
      <PlainDialog
        :open="panel === 'compare'"
        title="Two versions, rung by rung"
        full
        @close="panel = undefined"
      >
        <div class="max-h-[72vh] overflow-y-auto">
          <VersionCompare :protocol-id="id" :now="state" :changed="changed" :shelf="shelf" />
        </div>
      </PlainDialog>
      <PublishDialog
        :open="panel === 'publish'"
        :version="nextVersion"
        :wrong="wrong.length"
        :rhythm="sketched?.rhythm?.says"
        :trouble="trouble"
        @close="panel = undefined"
        @publish="publish"
      />
    </template>
    <p v-else-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else class="text-soft">Opening …</p>
  </div>
</template>
