<script setup lang="ts">
import { Plus, Trash2 } from 'lucide-vue-next'
import { PLACES, TEMPERATURES, TOOLS, ADMITS, type Segment, type Step } from '#core/protocol'
import { setLimit } from '~/ladder/edit'
import { textOf as text } from '~/support/typed'

const props = defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
const KINDS = {
  prepare: 'mix, set up',
  apply: 'on',
  dwell: 'processing',
  remove: 'off',
  settle: 'drying',
  hygiene: 'hygiene',
} as const
const number = (event: Event) => Number((event.target as HTMLInputElement).value)
const put = (id: string, more: Partial<Segment>) =>
  emit('change', {
    ...props.step,
    segments: props.step.segments.map((part) => {
      if (part.id !== id) return part
      const now = { ...part, ...more }
      for (const key of Object.keys(more) as (keyof Segment)[])
        if (more[key] === undefined) Reflect.deleteProperty(now, key)
      return now
    }),
  })
const limit = (id: string, which: 'minS' | 'usualS' | 'maxS', event: Event) =>
  emit('change', setLimit(props.step, id, which, number(event)))
function add(kind: Segment['kind']) {
  let n = 1
  while (props.step.segments.some((part) => part.id === `${kind}${n}`)) n++
  const part: Segment = {
    id: `${kind}${n}`,
    kind,
    minS: 30,
    usualS: 60,
    maxS: 120,
    ...(kind === 'dwell'
      ? { minS: 300, usualS: 600, maxS: 900, presence: 'room', admits: ['quiet'] }
      : kind === 'remove'
        ? { tool: 'sponge', temperature: 'lukewarm' }
        : {}),
  }
  emit('change', {
    ...props.step,
    segments: kind === 'prepare' ? [part, ...props.step.segments] : [...props.step.segments, part],
  })
}
const drop = (id: string) =>
  emit('change', { ...props.step, segments: props.step.segments.filter((part) => part.id !== id) })
const toggle = (part: Segment, admit: (typeof ADMITS)[number]) =>
  put(part.id, {
    admits: part.admits?.includes(admit)
      ? part.admits.filter((one) => one !== admit)
      : [...(part.admits ?? []), admit],
  })
const ends = (part: Segment, sign: string) =>
  put(part.id, {
    end:
      sign.trim() === ''
        ? undefined
        : {
            by: part.kind === 'remove' ? 'repeat' : 'both',
            sign: sign.trim(),
            ...(part.kind === 'remove'
              ? {
                  usualCount: part.end?.usualCount ?? 1,
                  maxCount: Math.max(3, part.end?.maxCount ?? 3),
                }
              : {}),
          },
  })
</script>

<template>
  <div>
    <div
      class="grid grid-cols-[1fr_3.6rem_3.6rem_3.6rem_2rem] gap-1.5 text-sm text-soft items-center"
    >
      <span />
      <span class="text-center">least</span>
      <span class="text-center">usual</span>
      <span class="text-center">most</span>
      <span />
    </div>
    <div v-for="part in step.segments" :key="part.id" class="border-t border-hair py-1.5">
      <div class="grid grid-cols-[1fr_3.6rem_3.6rem_3.6rem_2rem] gap-1.5 items-center">
        <span class="truncate">
          {{
            part.coat
              ? `coat ${part.coat}`
              : part.polarity
                ? `${part.polarity} pole`
                : KINDS[part.kind]
          }}<span v-if="part.active" class="text-mind text-sm"> acts</span>
        </span>
        <input
          v-for="which in ['minS', 'usualS', 'maxS'] as const"
          :key="which"
          type="number"
          class="field !min-h-[36px] w-full !px-1.5 text-center"
          :class="which === 'usualS' && 'font-semibold'"
          step="0.5"
          min="0"
          max="240"
          v-shown="Math.round(part[which] / 6) / 10"
          :aria-label="`${step.title}, ${KINDS[part.kind]}, ${{ minS: 'least', usualS: 'usual', maxS: 'most' }[which]} minutes`"
          @change="limit(part.id, which, $event)"
        />
        <button
          type="button"
          class="h-9 grid place-items-center disabled:opacity-40"
          :aria-label="`Take ${KINDS[part.kind]} out`"
          :disabled="step.segments.length === 1"
          @click="drop(part.id)"
        >
          <Trash2 :size="16" />
        </button>
      </div>
      <div v-if="part.kind === 'dwell'" class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
        <label class="flex items-center gap-1.5 mr-1">
          <input
            type="checkbox"
            :checked="part.active ?? false"
            @change="
              put(part.id, { active: ($event.target as HTMLInputElement).checked || undefined })
            "
          />
          acts, never stretches
        </label>
        <label class="flex items-center gap-1.5">
          you are
          <select
            class="field !min-h-[34px] !px-1.5"
            :value="part.presence ?? 'away'"
            :aria-label="`Where you are during ${step.title}`"
            @change="put(part.id, { presence: text($event) as 'room' })"
          >
            <option v-for="place in PLACES" :key="place" :value="place">{{
              { client: 'at the client', room: 'in the room', away: 'free to leave' }[place]
            }}</option>
          </select>
        </label>
        <span class="w-full text-soft"
          >Meanwhile:
          <button
            v-for="admit in ADMITS"
            :key="admit"
            type="button"
            class="pick !min-h-[32px] !min-w-0 !px-2 mr-1 mb-1 text-sm"
            :aria-pressed="part.admits?.includes(admit) ?? false"
            @click="toggle(part, admit)"
          >
            {{ admit }}
          </button>
        </span>
      </div>
      <div v-if="part.kind === 'apply'" class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
        <select
          class="field !min-h-[34px] !px-1.5"
          :value="part.coat ?? ''"
          :aria-label="`Coat of ${step.title}`"
          @change="put(part.id, { coat: Number(text($event)) || undefined })"
        >
          <option value="">no coat</option>
          <option v-for="n in 5" :key="n" :value="n">coat {{ n }}</option>
        </select>
        <select
          class="field !min-h-[34px] !px-1.5"
          :value="part.polarity ?? ''"
          :aria-label="`Pole of ${step.title}`"
          @change="put(part.id, { polarity: (text($event) || undefined) as 'negative' })"
        >
          <option value="">no pole</option>
          <option value="negative">negative pole</option>
          <option value="positive">positive pole</option>
        </select>
        <FoldAway class="w-full">
          <template #summary>
            <span class="text-soft">{{ part.zones ? 'only some zones' : 'on all its zones' }}</span>
          </template>
          <ZonePicker
            :zones="part.zones ?? step.zones"
            name="This part on"
            @change="
              put(part.id, { zones: $event.length === step.zones.length ? undefined : $event })
            "
          />
        </FoldAway>
      </div>
      <div v-if="part.kind === 'remove'" class="flex flex-wrap items-center gap-1.5 mt-1.5 text-sm">
        <select
          class="field !min-h-[34px] !px-1.5"
          :value="part.tool ?? 'none'"
          :aria-label="`How ${step.title} comes off`"
          @change="put(part.id, { tool: text($event) as 'sponge' })"
        >
          <option v-for="tool in TOOLS" :key="tool">{{ tool }}</option>
        </select>
        <select
          class="field !min-h-[34px] !px-1.5"
          :value="part.temperature ?? ''"
          :aria-label="`How warm ${step.title} comes off`"
          @change="put(part.id, { temperature: (text($event) || undefined) as 'cool' })"
        >
          <option value="">–</option>
          <option v-for="heat in TEMPERATURES" :key="heat">{{ heat }}</option>
        </select>
        <label v-if="part.end?.by === 'repeat'" class="flex items-center gap-1">
          usually
          <input
            type="number"
            class="field !min-h-[34px] w-14 !px-1.5"
            min="1"
            max="6"
            v-shown="part.end.usualCount ?? 1"
            :aria-label="`How often ${step.title} is taken off`"
            @change="
              put(part.id, {
                end: {
                  ...part.end!,
                  usualCount: Math.max(1, Math.min(6, number($event) || 1)),
                  maxCount: Math.max(number($event) || 1, part.end!.maxCount ?? 3),
                },
              })
            "
          />
          ×
        </label>
      </div>
      <div v-if="part.kind === 'prepare'" class="flex flex-wrap items-center gap-2 mt-1.5 text-sm">
        <label class="flex items-center gap-1">
          stands
          <input
            type="number"
            class="field !min-h-[34px] w-15 !px-1.5"
            min="0"
            step="0.5"
            v-shown="(part.potLifeS ?? 300) / 60"
            @change="put(part.id, { potLifeS: Math.max(0, Math.round(number($event) * 60)) })"
          />
          min
        </label>
        <label class="flex items-center gap-1">
          sets after
          <input
            type="number"
            class="field !min-h-[34px] w-15 !px-1.5"
            min="0"
            step="0.5"
            v-shown="part.workingS === undefined ? '' : part.workingS / 60"
            @change="
              put(part.id, {
                workingS: number($event) > 0 ? Math.round(number($event) * 60) : undefined,
              })
            "
          />
          min
        </label>
      </div>
      <input
        v-if="part.kind === 'dwell' || part.kind === 'remove'"
        class="field !min-h-[34px] w-full !px-2 mt-1.5 text-sm"
        v-shown="part.end?.sign ?? ''"
        :placeholder="
          part.kind === 'remove'
            ? 'again until … (no residue on the sponge)'
            : 'done when … (dry to the touch)'
        "
        :aria-label="`Sign that ${KINDS[part.kind]} is over`"
        maxlength="120"
        @change="ends(part, ($event.target as HTMLInputElement).value)"
      />
    </div>
    <div class="flex flex-wrap gap-1.5 border-t border-hair pt-2">
      <button
        v-for="(word, kind) in KINDS"
        :key="kind"
        type="button"
        class="pick !min-h-[34px] !px-2 text-sm flex items-center gap-1"
        @click="add(kind)"
      >
        <Plus :size="13" />
        {{ word }}
      </button>
    </div>
  </div>
</template>
