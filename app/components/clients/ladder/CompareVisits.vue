<script setup lang="ts">
import { compareReadings, gradesOf, lightOf, moveWords, signsSeen, type SignId } from '#core/record'
import { MAP_VIEWS, type MapView } from '#core/skin'
import {
  inOrder,
  leversAgainst,
  photosAgainst,
  stepsAgainst,
  type Pair,
} from '~/long-ladder/against'
import type { LongLadderData } from '~/long-ladder/drawn'
import { minutesWords, type Went } from '~/long-ladder/told'
import { viewOf } from '~/skin-map/shapes'
import { call } from '~/support/api'
import { shortDate } from '~/support/time'

/** Two visits held against each other: what was read, zone by zone; how high; rung by rung; photographs of the same view. */
const props = defineProps<{ data: LongLadderData; pair: Pair }>()
const emit = defineEmits<{ close: [] }>()
const pair = computed(() => inOrder(props.pair))
const went = shallowRef<readonly [Went, Went]>()
const { trouble, attempt } = useAttempt()
watch(
  () => pair.value.map(({ id }) => id).join(' '),
  async () => {
    went.value = undefined
    const [before, after] = pair.value.map(({ id }) =>
      call('/api/visits/:id/went', { params: { id } }),
    )
    went.value = await attempt(() => Promise.all([before!, after!]))
  },
  { immediate: true },
)

const readings = computed(() => pair.value.map(({ findings }) => findings ?? []))
const isRead = computed(() => pair.value.every(({ findings }) => findings !== null))
const moves = computed(() => compareReadings(readings.value[0]!, readings.value[1]!))
const isSameLight = computed(
  () => lightOf(lightIn(pair.value[0])) === lightOf(lightIn(pair.value[1])),
)
const lightIn = ({ light }: Pair[number]) => ({ light: light ?? '' })
const signs = computed(() => signsSeen(readings.value))
const picked = ref<SignId>()
const movedMost = computed(
  () => [...moves.value.fell, ...moves.value.rose][0]?.sign ?? signs.value[0],
)
const sign = computed(() =>
  picked.value && signs.value.includes(picked.value) ? picked.value : movedMost.value,
)
const view = ref<MapView>('front')
const views = MAP_VIEWS.map((value) => ({ value, words: viewOf(value).name }))
const levers = computed(() => leversAgainst(pair.value))
const steps = computed(() => (went.value ? stepsAgainst(...went.value) : undefined))
const photos = computed(() => photosAgainst(props.data.photos, pair.value))
const GROUPS = [
  { key: 'fell', name: 'Fell' },
  { key: 'rose', name: 'Rose' },
  { key: 'same', name: 'As it was' },
] as const
const signOptions = computed(() => signs.value.map((value) => ({ value, words: value })))
</script>

<template>
  <section aria-label="Two visits" class="pb-8">
    <header class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line pb-3">
      <h2 class="text-3xl flex-1">{{ shortDate(pair[0].on) }} and {{ shortDate(pair[1].on) }}</h2>
      <button type="button" class="rung no-print" @click="emit('close')">Back to the ladder</button>
    </header>
    <p v-if="trouble" role="alert" class="text-mind mt-2">{{ trouble }}</p>
    <p v-if="!isRead" class="mt-4 text-soft">
      The skin was not read at both of them: there is no map to hold against another.
    </p>
    <div v-else class="grid lg:grid-cols-[minmax(0,1fr)_20rem] gap-8 mt-4">
      <div class="min-w-0">
        <div class="flex flex-wrap gap-x-6 gap-y-2 mb-2 no-print">
          <RadioPicks
            v-if="sign"
            class="flex-wrap"
            label="Sign"
            :value="sign"
            :options="signOptions"
            @change="picked = $event"
          />
          <RadioPicks label="View" :value="view" :options="views" @change="view = $event" />
        </div>
        <div class="grid grid-cols-2 gap-4">
          <figure v-for="(rung, at) in pair" :key="rung.id" class="text-center">
            <FaceGrades
              :view="view"
              :grades="sign ? gradesOf(sign, readings[at]!) : new Map()"
              :label="`${shortDate(rung.on)}, ${sign ?? 'nothing read'}`"
            />
            <figcaption>
              <span class="font-semibold">{{ shortDate(rung.on) }}</span>
              <span class="block text-sm text-soft">
                {{ rung.protocol }}, {{ minutesWords(rung) }}
              </span>
            </figcaption>
          </figure>
        </div>
      </div>
      <div class="lg:border-l lg:border-line lg:pl-6">
        <p v-if="!isSameLight" class="bg-mind-ground px-3 py-2 mb-3">
          Not read in the same light: colour may seem to have moved.
        </p>
        <template v-for="{ key, name } in GROUPS" :key="key">
          <template v-if="moves[key].length > 0">
            <h3 class="display text-xl first:mt-0 mt-3">{{ name }}</h3>
            <p v-for="move in moves[key]" :key="moveWords(move)" class="first-letter:uppercase">
              {{ moveWords(move) }}
            </p>
          </template>
        </template>
        <p v-if="signs.length === 0" class="text-soft">Nothing was seen at either.</p>
        <h3 v-if="levers.length > 0" class="display text-xl mt-4">Levers</h3>
        <p v-for="lever in levers" :key="lever.name">
          <span class="font-semibold inline-block first-letter:uppercase">{{ lever.name }}</span>
          {{ lever.words }}
        </p>
      </div>
    </div>
    <div
      class="grid gap-8 mt-6"
      :class="photos.length > 0 ? 'lg:grid-cols-[26rem_minmax(0,1fr)]' : ''"
    >
      <PhotosAgainst v-if="photos.length > 0" :photos="photos" />
      <StepsAgainst v-if="steps && steps.length > 0" :steps="steps" :pair="pair" />
    </div>
  </section>
</template>
