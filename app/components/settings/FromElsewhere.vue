<script setup lang="ts">
import { ROLES } from '#core/salon'
import { call } from '~/support/api'
import { ROLE_LINES, ROLE_WORDS } from '~/support/people/words'

/** Somebody of another salon of the house, to work here too: with a role of its own, and the way in they have. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; added: [] }>()
const { shown: people, trouble, change } = useChanges(() => call('/api/people/elsewhere'))
const chosen = ref('')
const role = ref<(typeof ROLES)[number]>('practitioner')
const performs = ref(true)
const whom = computed(() =>
  (people.value ?? []).map(({ homeId, name, salon }) => ({
    value: homeId,
    words: `${name}, ${salon}`,
  })),
)
const OPTIONS = ROLES.map((one) => ({ value: one, words: ROLE_WORDS[one] }))
async function add() {
  const body = { homeId: chosen.value, role: role.value, performs: performs.value }
  const made = await change(() => call('/api/people/elsewhere', { method: 'post', body }))
  if (made) emit('added')
}
</script>

<template>
  <PlainDialog :open="open" wide title="From another salon" @close="emit('close')">
    <p v-if="trouble" role="alert" class="text-mind mb-2">{{ trouble }}</p>
    <p v-if="people?.length === 0" class="text-soft">
      Everybody of your other salons works here already.
    </p>
    <RadioPicks
      class="flex-wrap"
      label="Who"
      :value="chosen"
      :options="whom"
      @change="chosen = $event"
    />
    <div class="flex flex-col gap-3 mt-4">
      <FieldChoice
        class="max-w-xs"
        label="Role here"
        :value="role"
        :options="OPTIONS"
        @change="role = $event"
      />
      <p class="text-soft">{{ ROLE_LINES[role] }}</p>
      <FieldTick :checked="performs" @change="performs = $event">
        Performs treatments here; scope and licences are set anew
      </FieldTick>
    </div>
    <div class="flex justify-end gap-3 mt-4 items-center">
      <p v-if="!chosen && people?.length" class="text-soft mr-auto">Choose somebody.</p>
      <button type="button" class="rung" @click="emit('close')">Cancel</button>
      <button
        type="button"
        class="rung rung-strong"
        v-off="!chosen && 'Choose somebody.'"
        @click="add"
        >Works here too</button
      >
    </div>
  </PlainDialog>
</template>
