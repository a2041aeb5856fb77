<script setup lang="ts">
import type { Shelf } from '#core/catalog'
import { compareVersions, type RungDiff } from '#core/compose'
import { courseInWords } from '#core/climb'
import type { Course, Step } from '#core/protocol'
import { call, refusalOf, type Reply } from '~/support/api'
import { shortDate } from '~/support/time'

const props = defineProps<{
  protocolId: string
  now: { readonly steps: readonly Step[]; readonly course: Course | null }
  changed: boolean
  shelf: Shelf
}>()
const versions = shallowRef<Reply<'/api/protocols/:id/versions'>>()
const trouble = ref('')
const [from, to] = [ref(''), ref('')]
onMounted(async () => {
  try {
    versions.value = await call('/api/protocols/:id/versions', {
      params: { id: props.protocolId },
    })
    to.value = props.changed ? 'draft' : String(versions.value[0]?.version ?? 'draft')
    from.value = String(
      versions.value[props.changed ? 0 : 1]?.version ?? versions.value[0]?.version ?? 'draft',
    )
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
})
const choices = computed(() => [
  ...(props.changed ? [{ value: 'draft', words: 'the draft' }] : []),
  ...(versions.value ?? []).map((other) => ({
    value: String(other.version),
    words: `version ${other.version}, ${shortDate(other.publishedAt)}${other.by ? `, ${other.by}` : ''}: ${other.note}`,
  })),
])
const cardOf = (value: string) =>
  value === 'draft' ? props.now : versions.value?.find((other) => String(other.version) === value)
const stepsOf = (value: string) => cardOf(value)?.steps ?? []
const rhythmOf = (value: string) => {
  const course = cardOf(value)?.course
  return course ? courseInWords(course) : 'no course'
}
const nameOf = (id: string) => props.shelf.products.find((product) => product.id === id)?.name ?? id
const rows = computed(() => compareVersions(stepsOf(from.value), stepsOf(to.value), nameOf))
const GLYPHS = { same: '', changed: '≠', added: '+', removed: '✕' } as const
const told = computed(() => rows.value.filter((row) => row.kind !== 'same' || row.moved))
const KIND_WORDS = { added: 'added', removed: 'taken out', changed: '', same: '' } as const
const wordsOf = ({ kind, moved, details }: RungDiff) =>
  [KIND_WORDS[kind], moved ? 'moved' : '', ...details].filter(Boolean).join('; ')
</script>

<template>
  <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
  <p v-else-if="!versions" class="text-soft">Opening …</p>
  <p v-else-if="versions.length === 0" class="text-soft">
    Nothing is published yet, so there is nothing to compare with.
  </p>
  <div v-else>
    <div class="grid grid-cols-2 gap-3 mb-3">
      <FieldChoice label="From" grows :value="from" :options="choices" @change="from = $event" />
      <FieldChoice label="To" grows :value="to" :options="choices" @change="to = $event" />
    </div>
    <p role="status" class="mb-2 text-soft">{{
      told.length === 0
        ? 'The two are the same, rung by rung.'
        : `${told.length} of ${rows.length} rungs differ.`
    }}</p>
    <p v-if="rhythmOf(from) !== rhythmOf(to)" class="mb-2">
      Course: {{ rhythmOf(from) }} → {{ rhythmOf(to) }}
    </p>
    <table class="w-full border-t border-line">
      <thead class="sr-only">
        <tr><th>Was</th><th>Is</th><th>Rung</th><th>What differs</th></tr>
      </thead>
      <tbody>
        <tr
          v-for="row in rows"
          :key="row.stepId"
          class="border-b border-hair align-top"
          :class="row.kind === 'same' && !row.moved && 'text-soft'"
        >
          <td class="w-9 py-1.5 text-right pr-2">
            {{ row.from ?? '' }}
          </td>
          <td class="w-9 py-1.5 text-right pr-3">
            {{ row.to ?? '' }}
          </td>
          <td class="py-1.5 pr-4 w-[42%]">
            <span
              class="inline-block w-5 font-semibold"
              :class="row.kind === 'removed' ? 'text-mind' : 'text-now'"
              aria-hidden="true"
            >
              {{ row.moved ? '↕' : GLYPHS[row.kind] }}
            </span>
            <span :class="row.kind === 'removed' && 'line-through'">{{ row.title }}</span>
          </td>
          <td class="py-1.5">{{ wordsOf(row) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
