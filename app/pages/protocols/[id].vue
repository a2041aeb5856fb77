<script setup lang="ts">
import { Keyboard, Printer } from 'lucide-vue-next'
import { stepFrom, type CatalogueRow } from '#core/compose'
import type { Step } from '#core/protocol'
import { halfMinutes } from '~/support/time'
import {
  dropAt,
  duplicateSteps,
  insertAfter,
  MOST_RUNGS,
  moveMany,
  removeSteps,
} from '~/ladder/edit'

const id = String(useRoute().params.id)
const card = useCard(id)
const { state, shelf, sketched, changed, saved, trouble, opened, history } = card
const session = useSessionStore()
const mayWrite = computed(
  () => session.account?.role === 'owner' || session.account?.role === 'practitioner',
)
const cursor = ref<string>()
const picked = ref<ReadonlySet<string>>(new Set())
const side = ref<'step' | 'methods'>('step')
const panel = ref<'keys' | 'compare' | 'publish'>()
const said = ref<Record<string, readonly string[]>>({})
const switching = ref(false)
const note = ref('')
const published = ref('')
const search = ref<{ focus: () => void }>()
const ladder = ref<{ focus: () => void }>()
onMounted(async () => {
  await card.load()
  cursor.value = state.value.steps[0]?.id
  picked.value = new Set(cursor.value ? [cursor.value] : [])
  if (state.value.steps.length === 0 && mayWrite.value) await nextTick(() => search.value?.focus())
})

const steps = computed(() => state.value.steps)
const current = computed(() => steps.value.find((step) => step.id === cursor.value))
const wrong = computed(() => sketched.value?.findings.filter((one) => one.level === 'wrong') ?? [])
const findings = computed(
  () => sketched.value?.findings.filter((one) => one.stepId === cursor.value) ?? [],
)
const chosenIds = () =>
  picked.value.size > 0 ? [...picked.value] : cursor.value ? [cursor.value] : []
const choose = (one: string | undefined) => {
  cursor.value = one
  picked.value = new Set(one ? [one] : [])
}
const inOrder = computed(() => {
  const placed = [
    ...new Set(
      (sketched.value?.segments ?? [])
        .filter((part) => part.kind !== 'prepare')
        .map((part) => part.stepId),
    ),
  ]
  return placed.length === steps.value.length ? placed : steps.value.map((step) => step.id)
})

function onCursor(one: string, extend: boolean, toggle: boolean) {
  if (toggle) {
    const now = new Set(picked.value)
    if (!now.delete(one)) now.add(one)
    picked.value = now
    cursor.value = one
  } else if (extend) {
    const anchor = cursor.value ?? one
    const [a, b] = [inOrder.value.indexOf(anchor), inOrder.value.indexOf(one)].sort((x, y) => x - y)
    picked.value = new Set([...picked.value, ...inOrder.value.slice(a, b! + 1)])
    cursor.value = one
  } else choose(one)
  side.value = 'step'
}
function add(row: CatalogueRow) {
  if (isFull(1)) return
  const before = steps.value.find((step) => step.id === cursor.value) ?? steps.value.at(-1)
  const made = stepFrom(row, steps.value, shelf.value, before)
  // The end of a visit stays its end: what is added goes before the close.
  const after =
    before?.phase === 'close' && made.phase !== 'close'
      ? steps.value[steps.value.indexOf(before) - 1]?.id
      : before?.id
  const now =
    before?.phase === 'close' && after === undefined && made.phase !== 'close'
      ? [made, ...steps.value]
      : insertAfter(steps.value, after, made)
  card.put({ steps: now })
  choose(made.id)
}
const change = (step: Step) =>
  card.put({ steps: steps.value.map((one) => (one.id === step.id ? step : one)) })
function move(by: -1 | 1) {
  card.put({ steps: moveMany(steps.value, chosenIds(), by) })
}
function dropped(order: string[], dragged: string) {
  card.put({ steps: dropAt(steps.value, order, dragged, [...picked.value]) })
  if (!picked.value.has(dragged)) choose(dragged)
}
function remove() {
  const gone = chosenIds()
  const at = steps.value.findIndex((step) => step.id === gone[0])
  const left = removeSteps(steps.value, gone)
  card.put({ steps: left })
  choose(left[Math.min(at, left.length - 1)]?.id)
}
/** Says so when the ladder would hold more rungs than a card may. */
function isFull(more: number): boolean {
  const full = steps.value.length + more > MOST_RUNGS
  trouble.value = full ? `A ladder holds ${MOST_RUNGS} rungs at most. Take one out first.` : ''
  return full
}
function copy() {
  if (isFull(chosenIds().length)) return
  const { steps: now, copies } = duplicateSteps(steps.value, chosenIds())
  card.put({ steps: now })
  cursor.value = copies[0]
  picked.value = new Set(copies)
}
/** The first finding at this rung that one touch mends; else the first anywhere. */
function mend(stepId?: string) {
  const found =
    sketched.value?.findings.find((one) => one.stepId === stepId && one.mended) ??
    sketched.value?.findings.find((one) => one.level === 'wrong' && one.mended)
  if (!found?.mended) return
  card.put({ steps: [...found.mended] })
  if (!found.mended.some((step) => step.id === cursor.value)) choose(found.mended[0]?.id)
}
async function method(question: string, school: string) {
  switching.value = true
  const {
    steps: now,
    says,
    refused,
  } = await useFitter().rewrite(steps.value, question, school, shelf.value)
  switching.value = false
  said.value = { ...said.value, [question]: says }
  if (!refused)
    card.put({ steps: [...now], methods: { ...state.value.methods, [question]: school } })
}
async function publish() {
  const version = await card.publish(note.value)
  if (version === undefined) return
  panel.value = undefined
  note.value = ''
  published.value = `Version ${version} is published. Visits booked before keep theirs.`
}
function keyed(event: KeyboardEvent) {
  const typing = (event.target as HTMLElement).closest('input, textarea, select') !== null
  const held = event.ctrlKey || event.metaKey
  if (held && event.key.toLowerCase() === 'z' && !typing) {
    event.preventDefault()
    ;(event.shiftKey ? history.redo : history.undo)()
    revive()
  } else if (held && event.key.toLowerCase() === 'y' && !typing) {
    event.preventDefault()
    history.redo()
    revive()
  } else if (held && event.key.toLowerCase() === 's') {
    event.preventDefault()
    if (changed.value && mayWrite.value) panel.value = 'publish'
  } else if (event.key === '?' && !typing) panel.value = 'keys'
}
const revive = () => {
  if (!steps.value.some((step) => step.id === cursor.value)) choose(steps.value[0]?.id)
}
onMounted(() => window.addEventListener('keydown', keyed))
onBeforeUnmount(() => window.removeEventListener('keydown', keyed))
const rename = (event: Event) => {
  const name = (event.target as HTMLInputElement).value.trim()
  if (name) card.put({ name })
  else (event.target as HTMLInputElement).value = state.value.name
}
const openStep = () => {
  side.value = 'step'
  void nextTick(() => document.getElementById('step-title')?.focus())
}
const print = () => window.print()
const SAVED = {
  same: 'As published',
  saving: 'Saving …',
  saved: 'Draft saved',
  here: 'Draft kept on this tablet',
} as const
function undo() {
  history.undo()
  revive()
}
function redo() {
  history.redo()
  revive()
}
</script>

<template>
  <div class="px-7 pt-4 pb-6 w-full max-w-[1400px] mx-auto">
    <template v-if="opened">
      <header class="flex items-end gap-5 mb-3 no-print">
        <div class="min-w-0 flex-1">
          <NuxtLink to="/protocols" class="text-sm text-link">Protocols</NuxtLink>
          <h1 class="sr-only">
            {{ state.name }}
          </h1>
          <input
            class="display text-4xl w-full bg-transparent border-b border-transparent hover:border-line focus:border-now truncate"
            v-shown="state.name"
            aria-label="Name of the protocol"
            maxlength="120"
            :readonly="!mayWrite"
            @change="rename"
          />
        </div>
        <p class="text-sm text-soft pb-1.5 whitespace-nowrap" aria-live="polite">
          {{ opened.version ? `version ${opened.version.version}` : 'not published' }} ·
          {{ SAVED[saved] }}
        </p>
        <div
          class="flex items-baseline gap-1.5 whitespace-nowrap"
          aria-label="Length of the ladder"
        >
          <span class="display text-4xl" data-testid="total">
            {{ sketched?.totalS === undefined ? '–' : halfMinutes(sketched.totalS) }}
          </span>
          <span>min</span>
          <span class="text-soft ml-2" data-testid="free">
            {{ sketched ? halfMinutes(sketched.handsFreeS) : '–' }} hands free</span
          >
        </div>
      </header>
      <p
        v-if="trouble"
        role="alert"
        class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind no-print"
      >
        {{ trouble }}
      </p>
      <p v-if="published" role="status" class="mb-3 text-calm no-print">{{ published }}</p>
      <p
        v-if="sketched?.problem"
        role="alert"
        class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind no-print"
      >
        {{ sketched.problem }}
      </p>
      <div class="grid grid-cols-[minmax(0,1fr)_24.5rem] gap-8 no-print">
        <div>
          <div class="flex items-center gap-2 mb-2 sticky top-0 z-10 bg-ground py-2">
            <StepSearch
              v-if="mayWrite"
              ref="search"
              class="flex-1"
              @add="add"
              @leave="ladder?.focus()"
            />
            <button
              v-if="wrong.length > 0"
              type="button"
              class="rung !border-mind text-mind whitespace-nowrap"
              :disabled="!wrong.some((one) => one.mended)"
              @click="mend(wrong[0]!.stepId)"
            >
              ✕ {{ wrong.length === 1 ? 'One wrong order' : `${wrong.length} wrong orders` }}: mend
            </button>
            <button type="button" class="pick" :disabled="!history.canUndo.value" @click="undo">
              Undo
            </button>
            <button type="button" class="pick" :disabled="!history.canRedo.value" @click="redo">
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
            @move="move"
            @dropped="dropped"
            @remove="remove"
            @copy="copy"
            @mend="mend"
            @open="openStep"
            @add="search?.focus()"
          />
          <div v-else class="border-y border-line py-10 text-center text-soft">
            <p class="text-xl text-ink">An empty ladder.</p>
            <p>Type two letters above: “fi” for the first cleanse, “ma” for a mask.</p>
          </div>
        </div>
        <aside
          class="sticky top-2 self-start h-[calc(100vh-9.8rem)] min-h-[24rem] flex flex-col"
          aria-label="Details"
        >
          <div class="flex gap-1.5 mb-3">
            <button
              type="button"
              class="pick flex-1"
              :aria-pressed="side === 'step'"
              @click="side = 'step'"
            >
              This rung
            </button>
            <button
              type="button"
              class="pick flex-1"
              :aria-pressed="side === 'methods'"
              @click="side = 'methods'"
            >
              Methods
            </button>
            <button
              type="button"
              class="pick !px-0 grid place-items-center"
              aria-label="Keys"
              @click="panel = 'keys'"
            >
              <Keyboard :size="19" />
            </button>
            <button
              type="button"
              class="pick !px-0 grid place-items-center"
              aria-label="Print the card"
              @click="print"
            >
              <Printer :size="18" />
            </button>
          </div>
          <div :key="side" class="flex-1 min-h-0 overflow-y-auto pr-2">
            <MethodSwitches
              v-if="side === 'methods'"
              :methods="state.methods"
              :said="said"
              :busy="switching || !mayWrite"
              @choose="method"
            />
            <template v-else-if="current">
              <div
                v-for="finding in findings"
                :key="finding.id"
                class="mb-2 px-3 py-2 border-l-4 flex items-center gap-3"
                :class="
                  finding.level === 'wrong' ? 'border-mind bg-mind-ground' : 'border-line bg-sunk'
                "
              >
                <span class="flex-1 text-sm">
                  {{ finding.says }} <span class="text-soft">{{ finding.fix }}</span>
                </span>
                <button
                  v-if="finding.mended && mayWrite"
                  type="button"
                  class="pick text-sm bg-ground"
                  :aria-label="`Mend: ${finding.says}`"
                  @click="mend(finding.stepId)"
                >
                  Mend
                </button>
              </div>
              <div v-if="mayWrite" class="flex gap-1.5 mb-3">
                <button type="button" class="pick text-sm flex-1 !px-1" @click="move(-1)">
                  Up
                </button>
                <button type="button" class="pick text-sm flex-1 !px-1" @click="move(1)">
                  Down
                </button>
                <button type="button" class="pick text-sm flex-1 !px-1" @click="copy">
                  Copy
                </button>
                <button type="button" class="pick text-sm flex-1 !px-1" @click="remove">
                  Take out
                </button>
              </div>
              <p v-if="picked.size > 1" class="mb-2 text-soft">
                {{ picked.size }} rungs are picked: they move, copy and go together.
              </p>
              <fieldset :disabled="!mayWrite">
                <StepPanel
                  :key="current.id"
                  :step="current"
                  :steps="steps"
                  :shelf="shelf"
                  @change="change"
                />
              </fieldset>
            </template>
            <p v-else class="text-soft">Choose a rung to see what it carries.</p>
          </div>
          <div class="flex flex-wrap gap-2 border-t border-line mt-2 pt-3">
            <button
              v-if="mayWrite"
              type="button"
              class="rung rung-strong flex-1 whitespace-nowrap !px-2"
              :disabled="!changed || steps.length === 0"
              @click="panel = 'publish'"
            >
              Publish version {{ (opened.version?.version ?? 0) + 1 }}
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
          <VersionCompare :protocol-id="id" :now="steps" :changed="changed" :shelf="shelf" />
        </div>
      </PlainDialog>
      <PlainDialog
        :open="panel === 'publish'"
        :title="`Publish version ${(opened.version?.version ?? 0) + 1}`"
        @close="panel = undefined"
      >
        <form class="flex flex-col gap-3" @submit.prevent="publish">
          <p v-if="wrong.length > 0" class="text-mind">
            {{
              wrong.length === 1
                ? 'One order is still marked wrong'
                : `${wrong.length} orders are still marked wrong`
            }}. You may publish; the mark stays.
          </p>
          <label class="flex flex-col gap-1">
            What changed
            <input v-model="note" class="field" required maxlength="500" />
          </label>
          <p v-if="trouble" role="alert" class="text-mind">
            {{ trouble }}
          </p>
          <div class="flex justify-end gap-3">
            <button type="button" class="rung" @click="panel = undefined">Cancel</button>
            <button type="submit" class="rung rung-strong">Publish</button>
          </div>
        </form>
      </PlainDialog>
    </template>
    <p v-else-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else class="text-soft">Opening …</p>
  </div>
</template>
