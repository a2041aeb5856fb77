<script setup lang="ts">
import type { Clearance } from '#core/client'
import { CLEARANCE_RULES } from '#core/safety'
import { shortDate } from '~/support/time'

const props = defineProps<{
  given: readonly Clearance[]
  wanted: readonly { id: string; title: string; ruleId: string }[]
  today: string
  disabled: boolean
}>()
const emit = defineEmits<{ clear: [clearance: Clearance] }>()
const all = CLEARANCE_RULES.map(({ id, title, clearance }) => ({
  id: clearance,
  title,
  ruleId: id,
}))
const choices = all.map(({ id, title, ruleId }) => ({ value: id, words: `${title} (${ruleId})` }))
const titleOf = (id: string) => all.find((rule) => rule.id === id)?.title ?? id
const choosing = ref('')
const by = ref('')
const on = ref(props.today)
const until = ref('')
const trouble = ref('')
/** A related plant enzyme: use since then without a reaction counts as well as a note; after breathing trouble neither does. */
const isCrossing = (id: string) => id.startsWith('B-')
const tolerated = (id: string) =>
  emit('clear', { clearance: id, by: 'Used since without a reaction', on: props.today })
function keep() {
  trouble.value = ''
  if (until.value && until.value < on.value) {
    trouble.value = 'It would end before it was given. Check both dates.'
    return
  }
  emit('clear', {
    clearance: choosing.value,
    by: by.value.trim(),
    on: on.value,
    ...(until.value ? { until: until.value } : {}),
  })
  choosing.value = by.value = until.value = ''
}
</script>

<template>
  <section aria-label="Clearances">
    <h2 class="text-xl border-b border-line pb-2"
      >Clearances (doctor’s note): who gave them, when, until when</h2
    >
    <ul>
      <li
        v-for="clearance in wanted"
        :key="clearance.id"
        class="flex items-center gap-3 py-2 border-b border-hair"
      >
        <span class="flex-1">
          <span class="text-mind font-semibold">Wanted today: </span>{{ clearance.title }}
          <span class="text-soft">({{ clearance.ruleId }})</span>
        </span>
        <button
          v-if="isCrossing(clearance.id)"
          type="button"
          class="pick"
          :disabled="disabled"
          @click="tolerated(clearance.id)"
        >
          Used since, tolerated
        </button>
        <button type="button" class="rung" :disabled="disabled" @click="choosing = clearance.id">
          Record …
        </button>
      </li>
      <li
        v-for="clearance in given"
        :key="`${clearance.clearance}${clearance.on}`"
        class="py-2 border-b border-hair"
      >
        {{ titleOf(clearance.clearance) }}: <span class="font-semibold">{{ clearance.by }}</span>,
        {{ shortDate(clearance.on)
        }}{{ clearance.until ? ` until ${shortDate(clearance.until)}` : ', without an end'
        }}<span v-if="clearance.until && clearance.until < today" class="text-mind font-semibold">
          · ended</span
        >
      </li>
      <li v-if="wanted.length === 0 && given.length === 0" class="py-2 text-soft">
        None is wanted today, none is recorded.
      </li>
    </ul>
    <form
      v-if="choosing"
      class="mt-4 flex flex-wrap items-end gap-3 border-l-2 border-now pl-4"
      @submit.prevent="keep"
    >
      <p class="w-full font-semibold">{{ titleOf(choosing) }}</p>
      <label class="flex flex-col gap-1">
        Given by
        <input
          v-model="by"
          class="field"
          required
          minlength="2"
          maxlength="120"
          placeholder="name, profession"
        />
      </label>
      <label class="flex flex-col gap-1">
        On
        <input v-model="on" class="field" type="date" :max="today" required />
      </label>
      <label class="flex flex-col gap-1">
        Until
        <input v-model="until" class="field" type="date" />
      </label>
      <button type="submit" class="rung rung-strong">Keep</button>
      <button type="button" class="rung" @click="choosing = ''">Cancel</button>
      <p v-if="trouble" role="alert" class="w-full text-mind">{{ trouble }}</p>
    </form>
    <FieldChoice
      class="mt-5 max-w-md"
      label="Another clearance"
      unset="Choose"
      grows
      :value="choosing"
      :options="choices"
      :disabled="disabled"
      @change="choosing = $event"
    />
  </section>
</template>
