<script setup lang="ts">
import { FINDINGS, zonesInWords, type Finding, type FindingKind, type FindingWords, type ZoneId } from '#core/skin'
import { changesBecause } from '~/support/consequences'

const store = useVisitStore()
const ZONE_CHOICES: readonly ZoneId[] = ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin', 'eye-contour', 'lips', 'neck', 'decollete']
const GRADES = [{ value: 0, word: 'No' }, { value: 1, word: '1' }, { value: 2, word: '2' }, { value: 3, word: '3' }, { value: 4, word: '4' }] as const
const SEEN = [{ value: 0, word: 'No' }, { value: 1, word: 'Seen' }] as const
const findings = computed(() => store.data?.input.reading.findings ?? [])
const of = (kind: FindingKind) => findings.value.find((finding) => finding.kind === kind)

function put(kind: FindingKind, next: Finding | undefined) {
  const others = findings.value.filter((finding) => finding.kind !== kind)
  void store.read({ done: true, findings: next ? [...others, next] : others })
}
function grade(words: FindingWords, value: number) {
  put(words.kind, value === 0 ? undefined : { kind: words.kind, grade: value, zones: of(words.kind)?.zones ?? [...words.usualZones] })
}
function flip(kind: FindingKind, zone: ZoneId) {
  const now = of(kind)
  if (!now) return
  const zones = now.zones.includes(zone) ? now.zones.filter((one) => one !== zone) : [...now.zones, zone]
  put(kind, zones.length === 0 ? undefined : { ...now, zones })
}
const becauseOf = (words: FindingWords) => changesBecause(store.preview, words.name)
</script>

<template>
  <VisitFrame v-slot="{ data }">
    <div class="grid grid-cols-[minmax(0,1fr)_25rem] gap-8 flex-1">
      <div>
        <div class="flex items-center gap-4 border-b border-line pb-2"><h2 class="text-xl flex-1">What the skin shows, under the lamp</h2><button type="button" class="rung" :disabled="store.locked || data.input.reading.done" @click="store.read({ ...data.input.reading, done: true })">{{ data.input.reading.done ? 'Read today' : 'Nothing to note: read' }}</button></div>
        <div v-for="words in FINDINGS" :key="words.kind" class="py-2 border-b border-hair">
          <div class="flex items-center gap-4">
            <p :id="`f-${words.kind}`" class="flex-1"><span class="font-semibold">{{ words.name }}</span><span class="block text-sm text-soft">{{ words.look }}</span></p>
            <div role="radiogroup" :aria-labelledby="`f-${words.kind}`" class="flex gap-1">
              <button v-for="one in words.ungraded ? SEEN : GRADES" :key="one.value" type="button" role="radio" class="pick" :class="one.value > 0 && 'pick-mind'" :aria-checked="(of(words.kind)?.grade ?? 0) === one.value" :disabled="store.locked" @click="grade(words, one.value)">{{ one.word }}</button>
            </div>
          </div>
          <div v-if="of(words.kind)" class="mt-2 pl-4 border-l-2 border-mind">
            <div class="flex flex-wrap gap-1" role="group" :aria-label="`Zones: ${words.name}`"><button v-for="zone in ZONE_CHOICES" :key="zone" type="button" class="pick text-sm" :aria-pressed="of(words.kind)!.zones.includes(zone)" :disabled="store.locked" @click="flip(words.kind, zone)">{{ zonesInWords([zone]) }}</button></div>
            <p v-for="(change, at) in becauseOf(words)" :key="at" class="mt-1.5 text-sm"><span class="font-semibold">{{ change.what }}.</span> {{ change.why[0]?.reason }} {{ change.why[0]?.instead }}</p>
          </div>
        </div>
      </div>
      <div class="sticky top-4 self-start">
        <ConsequencePanel :plan="store.preview" :slot-name="data.visit.protocol" />
        <div class="pl-7 mt-5"><NuxtLink class="rung rung-strong w-full" :to="`/visits/${data.visit.id}/fit`">Fit the ladder</NuxtLink></div>
      </div>
    </div>
  </VisitFrame>
</template>
