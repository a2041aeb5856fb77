<script setup lang="ts">
import { call, refusalOf, type Reply } from '~/support/api'
import { actionInWords } from '~/support/audit'
import { clockTime, shortDate } from '~/support/time'

/** Who saw or changed what, the newest first; by client and by person. */
type Line = Reply<'/api/audit'>['lines'][number]
const EVERYBODY = 'everybody'
const session = useSessionStore()
const { people } = usePeople()
const lines = ref<Line[]>([])
const hasMore = ref(false)
const trouble = ref('')
const client = ref({ id: '', name: '' })
const person = ref(EVERYBODY)
const options = computed(() => [
  { value: EVERYBODY, words: 'Everybody' },
  ...(people.value ?? []).map(({ id, name }) => ({ value: id, words: name })),
])
const wish = computed((): Record<string, string> => ({
  ...(client.value.id ? { client: client.value.id } : {}),
  ...(person.value === EVERYBODY ? {} : { person: person.value }),
}))
const fileAt = computed(() => `/api/audit/file?${new URLSearchParams(wish.value)}`)
const timeZone = computed(() => session.salon?.timeZone ?? 'UTC')
let asked = 0
async function ask(before?: string) {
  const number = ++asked
  try {
    const query = { ...wish.value, ...(before ? { before } : {}) }
    const page = await call('/api/audit', { query })
    if (number !== asked) return
    lines.value = before ? [...lines.value, ...page.lines] : page.lines
    hasMore.value = page.hasMore
    trouble.value = ''
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
watch(wish, () => void ask(), { immediate: true })
</script>

<template>
  <div class="max-w-4xl">
    <div class="grid max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[1fr_1fr_auto] gap-3 items-end">
      <ClientPick
        label="About a client"
        :value="client.id"
        :name="client.name"
        @change="(id, name) => (client = { id, name })"
      />
      <FieldChoice
        plain
        label="By a person"
        :value="person"
        :options="options"
        @change="person = $event"
      />
      <a class="rung" :href="fileAt" download>Take the file</a>
    </div>
    <button
      v-if="client.id"
      type="button"
      class="text-link min-h-[44px]"
      @click="client = { id: '', name: '' }"
    >
      About all clients
    </button>
    <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
    <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Entries"
      ><table class="w-full mt-3">
        <thead>
          <tr class="text-left text-sm text-soft border-b border-line">
            <th class="font-normal py-2">When</th>
            <th class="font-normal">Who</th>
            <th class="font-normal">Did what</th>
            <th class="font-normal">About</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.id" class="border-b border-hair">
            <td class="py-2 tabular-nums whitespace-nowrap pr-3">
              {{ shortDate(String(line.at)) }} {{ clockTime(String(line.at), timeZone) }}
            </td>
            <td class="pr-3">{{ line.who }}</td>
            <td class="pr-3">{{ actionInWords(line.action) }}</td>
            <td dir="auto">{{
              line.client ?? (line.action === 'refused' ? line.subjectId : '')
            }}</td>
          </tr>
        </tbody>
      </table></div
    >
    <p v-if="lines.length === 0 && !trouble" class="text-soft py-3">Nothing of that kind.</p>
    <button v-if="hasMore" type="button" class="rung mt-3" @click="ask(lines.at(-1)!.id)">
      Earlier
    </button>
  </div>
</template>
