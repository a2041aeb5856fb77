<script setup lang="ts">
import { slugOf } from '#core/catalog'
import { QUESTIONS, questionByCode, searchKnown, type Known } from '#core/client'
import { rulesAsking } from '#core/safety'
import { call, refusalOf } from '~/support/api'

defineProps<{ owner: boolean }>()
const list = ref<Known[]>()
const typed = ref('')
const trouble = ref('')
const found = computed(() =>
  typed.value.trim() ? searchKnown(typed.value, list.value ?? []) : (list.value ?? []),
)
const form = ref<{
  id: string
  isNew: boolean
  kind: Known['kind']
  name: string
  synonyms: string
  code: string
}>()

async function load() {
  try {
    list.value = await call('/api/known')
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
void load()
const edit = (known: Known) => {
  trouble.value = ''
  form.value = { ...known, isNew: false, synonyms: known.synonyms.join(', ') }
}
const add = () => {
  trouble.value = ''
  form.value = {
    id: '',
    isNew: true,
    kind: 'medicine',
    name: typed.value.trim(),
    synonyms: '',
    code: 'photosensitiser-strong',
  }
}

const remove = () =>
  send(() => call('/api/known/:id', { method: 'delete', params: { id: form.value!.id } }))
async function send(work: () => Promise<unknown>) {
  try {
    await work()
    form.value = undefined
    trouble.value = ''
    await load()
  } catch (error) {
    trouble.value =
      refusalOf(error).status === 0
        ? 'No connection: this was not saved; what you typed is still here.'
        : refusalOf(error).detail
  }
}
function save() {
  const { id, isNew, kind, name, synonyms, code } = form.value!
  const to = isNew ? slugOf(name) : id
  if (isNew && list.value?.some((entry) => entry.id === to)) {
    trouble.value = `“${name}” is on the list already.`
    return
  }
  void send(() =>
    call('/api/known/:id', {
      method: 'put',
      params: { id: to },
      body: {
        kind,
        name,
        synonyms: synonyms
          .split(',')
          .map((word) => word.trim())
          .filter(Boolean),
        code,
      },
    }),
  )
}
const questions = QUESTIONS.map(({ code, ask }) => ({ value: code, words: ask }))
const rulesOf = (code: string) => rulesAsking(code).map((rule) => rule.id)
</script>

<template>
  <section aria-label="Medicines and conditions">
    <div class="flex items-end gap-3 border-b border-line pb-3">
      <label class="flex flex-col gap-1 flex-1">
        Medicine or condition
        <input v-model="typed" class="field" type="search" placeholder="begin to type …" />
      </label>
      <button v-if="owner" type="button" class="rung" @click="add">Add to the list</button>
    </div>
    <p v-if="!owner" class="text-sm text-soft py-2">The owner keeps this list.</p>
    <p v-if="trouble && !form" role="alert" class="text-mind font-medium py-2">{{ trouble }}</p>
    <ul>
      <li
        v-for="entry in found"
        :key="entry.id"
        class="grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[15rem_1fr_auto] gap-4 items-center border-b border-hair min-h-[52px] py-1"
      >
        <span>
          <span class="font-semibold">
            {{ entry.name }}
          </span>
          <span class="block text-sm text-soft">{{ entry.synonyms.join(', ') }}</span>
        </span>
        <span>
          {{ questionByCode.get(entry.code)?.ask }}
          <RuleLink v-for="id in rulesOf(entry.code)" :id="id" :key="id" class="text-sm mr-1.5" />
        </span>
        <button
          v-if="owner"
          type="button"
          class="pick text-sm"
          :aria-label="`Change ${entry.name}`"
          @click="edit(entry)"
        >
          Change
        </button>
      </li>
      <li v-if="list && found.length === 0" class="py-3 text-soft">Nothing under that name.</li>
    </ul>
    <PlainDialog
      :open="form !== undefined"
      :title="form?.isNew ? 'Add to the list' : `Change ${form?.name}`"
      @close="form = undefined"
    >
      <form v-if="form" class="flex flex-col gap-4" @submit.prevent="save">
        <div class="flex gap-1" role="radiogroup" aria-label="Kind">
          <button
            v-for="kind in ['medicine', 'condition'] as const"
            :key="kind"
            type="button"
            role="radio"
            class="pick first-letter:uppercase"
            :aria-checked="form.kind === kind"
            @click="form.kind = kind"
          >
            {{ kind }}
          </button>
        </div>
        <label class="flex flex-col gap-1">
          Name
          <input v-model="form.name" class="field" required minlength="2" maxlength="120" />
        </label>
        <label class="flex flex-col gap-1">
          Also said as, with commas between
          <input v-model="form.synonyms" class="field" />
        </label>
        <FieldChoice
          plain
          grows
          label="Answers yes to"
          :value="form.code"
          :options="questions"
          @change="form.code = $event"
        />
        <p class="text-soft">Rules: {{ rulesOf(form.code).join(', ') || 'none' }}</p>
        <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
        <div class="flex gap-3">
          <button v-if="!form.isNew" type="button" class="rung mr-auto" @click="remove">
            Take off the list
          </button>
          <button type="button" class="rung ml-auto" @click="form = undefined">Cancel</button>
          <button type="submit" class="rung rung-strong">Save</button>
        </div>
      </form>
    </PlainDialog>
  </section>
</template>
