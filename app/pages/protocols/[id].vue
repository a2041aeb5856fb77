<script setup lang="ts">
import { ArrowDown, ArrowUp } from 'lucide-vue-next'
import { useLocalStorage, useRefHistory } from '@vueuse/core'
import { productsFor, setProduct, type Shelf } from '#core/catalog'
import { lint, type ProtocolVersion, type Step } from '#core/protocol'
import { subjectReader } from '#core/safety'
import { mend, placingOf } from '#core/adapt'
import { place } from '#core/schedule'
import { moveStep, setMinutes } from '~/ladder/edit'
import { call, refusalOf } from '~/support/api'
import { halfMinutes } from '~/support/time'

const id = String(useRoute().params.id)
const version = ref<ProtocolVersion>()
const shelf = ref<Shelf>({ products: [], devices: [] })
const trouble = ref('')
const note = ref('')
const published = ref('')
const steps = ref<Step[]>([])
const history = useRefHistory(steps, { capacity: 100 })
const draft = useLocalStorage<{ basedOn: number; steps: Step[] } | null>(`zen-draft-${id}`, null, { serializer: { read: (raw) => JSON.parse(raw) as { basedOn: number; steps: Step[] } | null, write: JSON.stringify } })

async function load() {
  try {
    const reply = await call<{ version: ProtocolVersion; shelf: Shelf }>(`/api/protocols/${id}`)
    version.value = reply.version
    shelf.value = reply.shelf
    steps.value = draft.value?.basedOn === reply.version.version ? draft.value.steps : reply.version.steps
    await nextTick()
    history.clear()
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
onMounted(load)
const changed = computed(() => version.value !== undefined && JSON.stringify(steps.value) !== JSON.stringify(version.value.steps))
watch(steps, (now) => { if (version.value) draft.value = changed.value ? { basedOn: version.value.version, steps: now } : null })
const read = computed(() => subjectReader(shelf.value))
const findings = computed(() => lint(steps.value.map(read.value), true).map((finding) => ({ ...finding, mended: mend(finding, steps.value, shelf.value, read.value) })))
const wrong = computed(() => findings.value.filter((finding) => finding.level === 'wrong'))
const total = computed(() => { const placing = place(placingOf(steps.value)); return placing.kind === 'optimal' || placing.kind === 'feasible' ? placing.makespanS : undefined })
const put = (at: number, step: Step) => { steps.value = steps.value.map((one, index) => (index === at ? step : one)) }
const choose = (at: number, step: Step, productId: string) => { const found = productsFor(step, shelf.value.products).find((one) => one.pick.productId === productId); if (found) put(at, setProduct(step, found.pick, shelf.value.products)) }
function discard() { if (version.value) steps.value = version.value.steps }

async function publish() {
  try {
    const reply = await call<{ version: number }>(`/api/protocols/${id}/versions`, { method: 'POST', body: { basedOn: version.value!.version, note: note.value, steps: steps.value } })
    published.value = `Version ${reply.version} is published. Visits booked before keep theirs.`
    draft.value = null
    note.value = trouble.value = ''
    await load()
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
</script>

<template>
  <div class="px-7 py-6 w-full max-w-6xl mx-auto">
    <template v-if="version">
      <header class="flex items-end gap-4 mb-4"><div><NuxtLink to="/protocols" class="text-sm text-link">Protocols</NuxtLink><h1 class="text-4xl">{{ version.name }}</h1></div><p class="text-soft pb-1.5">version {{ version.version }}{{ changed ? ', changed here' : '' }}</p><p class="ml-auto pb-1"><span class="display text-3xl">{{ total === undefined ? '–' : halfMinutes(total) }}</span> min</p></header>
      <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{ trouble }}</p>
      <p v-if="published" role="status" class="mb-3 text-calm">{{ published }}</p>
      <div class="grid grid-cols-[minmax(0,1fr)_19rem] gap-10">
        <ol class="border-t border-line">
          <li v-for="(step, at) in steps" :id="`rung-${step.id}`" :key="step.id" class="scroll-mt-4 grid grid-cols-[6.2rem_minmax(0,1fr)] gap-3 py-2 border-b border-hair items-start">
            <div class="flex gap-1"><button type="button" class="pick !px-0 grid place-items-center" :aria-label="`${step.title} up`" :disabled="at === 0" @click="steps = moveStep(steps, at, -1)"><ArrowUp :size="17" /></button><button type="button" class="pick !px-0 grid place-items-center" :aria-label="`${step.title} down`" :disabled="at === steps.length - 1" @click="steps = moveStep(steps, at, 1)"><ArrowDown :size="17" /></button></div>
            <div>
              <div class="flex items-center gap-3"><p class="font-semibold flex-1 min-w-0 truncate">{{ step.floating ? '↳ ' : '' }}{{ step.title }}</p><select v-if="step.product" class="field max-w-60" :aria-label="`Product of ${step.title}`" :value="step.product.productId" @change="choose(at, step, ($event.target as HTMLSelectElement).value)"><option v-for="one in productsFor(step, shelf.products)" :key="one.pick.productId" :value="one.pick.productId">{{ one.name }}</option></select></div>
              <div class="flex flex-wrap gap-3 mt-1"><label v-for="part in step.segments" :key="part.id" class="flex items-center gap-1.5 text-sm text-soft">{{ part.kind }}<input type="number" class="field !min-h-[36px] w-19 !px-2" step="0.5" min="0" :max="part.kind === 'dwell' ? part.maxS / 60 : 60" :value="part.usualS / 60" :aria-label="`${step.title}, ${part.kind}, minutes`" @change="put(at, setMinutes(step, part.id, Number(($event.target as HTMLInputElement).value)))">min</label></div>
              <p v-for="finding in findings.filter((one) => one.stepId === step.id)" :key="finding.id" class="text-sm mt-1 flex items-center gap-3" :class="finding.level === 'wrong' ? 'text-mind' : 'text-soft'"><span class="flex-1">{{ finding.level === 'wrong' ? '✕' : '·' }} {{ finding.says }} {{ finding.fix }}</span><button v-if="finding.mended" type="button" class="pick text-sm" :aria-label="`Mend: ${finding.says}`" @click="steps = finding.mended">Mend</button></p>
            </div>
          </li>
        </ol>
        <aside class="sticky top-4 self-start flex flex-col gap-3">
          <div class="flex gap-2"><button type="button" class="rung flex-1" :disabled="!history.canUndo.value" @click="history.undo()">Undo</button><button type="button" class="rung flex-1" :disabled="!history.canRedo.value" @click="history.redo()">Redo</button></div>
          <p class="text-soft">{{ changed ? 'Your draft is kept on this tablet.' : 'Nothing changed.' }}</p>
          <a v-if="wrong.length > 0" :href="`#rung-${wrong[0]!.stepId}`" class="text-mind font-semibold underline underline-offset-2">✕ {{ wrong.length === 1 ? 'One wrong order' : `${wrong.length} wrong orders` }}</a>
          <form class="flex flex-col gap-3" @submit.prevent="publish"><label class="flex flex-col gap-1">What changed<input v-model="note" class="field" required maxlength="500"></label><button type="submit" class="rung rung-strong" :disabled="!changed">Publish version {{ version.version + 1 }}</button></form>
          <button v-if="changed" type="button" class="rung" @click="discard">Back to version {{ version.version }}</button>
        </aside>
      </div>
    </template>
    <p v-else-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
    <p v-else class="text-soft">Opening …</p>
  </div>
</template>
