<script setup lang="ts">
import type { ClientRecord } from '~/support/clients'

/** What goes, what stays and why, and the password: nobody is erased by a slip. */
const props = defineProps<{
  record: ClientRecord
  trouble: string
  erase: (why: 'asked' | 'by-mistake', password: string) => Promise<unknown>
}>()
const emit = defineEmits<{ close: [] }>()
const WHY = [
  { value: 'asked', words: 'The client asked for it' },
  { value: 'by-mistake', words: 'Entered by mistake' },
] as const
const why = ref<'asked' | 'by-mistake'>('asked')
const password = ref('')
const busy = ref(false)
async function go() {
  busy.value = true
  const gone = await props.erase(why.value, password.value)
  busy.value = false
  password.value = ''
  if (gone) await navigateTo('/clients')
}
</script>

<template>
  <PlainDialog open wide alarm :title="`Erase ${record.name}`" @close="emit('close')">
    <div class="grid grid-cols-2 gap-8">
      <section>
        <h3 class="font-semibold">What goes, for good</h3>
        <ul class="list-disc pl-5 mt-1 text-soft">
          <li>name, birthday, contact, and how they read before</li>
          <li>health answers, clearances, patch tests, goals, notes</li>
          <li>photographs, skin maps, signatures</li>
          <li>fitted ladders, what was felt and said, answers of the skin</li>
          <li>messages; visits to come are called off</li>
        </ul>
      </section>
      <section>
        <h3 class="font-semibold">What stays, without a name</h3>
        <ul class="list-disc pl-5 mt-1 text-soft">
          <li>that there was a visit: day, room, practitioner, card, minutes (what was earned)</li>
          <li>products used, with their lots (a maker may call one back)</li>
          <li>the log: who saw or changed what (it is never changed)</li>
        </ul>
        <p class="mt-2 text-soft">
          Copies made before today still hold the record until they are dropped; a restore erases it
          again. Local law may ask you to keep a record for some years: look first.
        </p>
      </section>
    </div>
    <RadioPicks class="mt-5" label="Why" :value="why" :options="WHY" @change="why = $event" />
    <form class="flex gap-3 items-end mt-4" @submit.prevent="go">
      <OwnPassword v-model="password" class="flex-1" />
      <button type="button" class="rung" @click="emit('close')">Keep the record</button>
      <button
        type="submit"
        class="rung !border-mind text-mind"
        :disabled="busy"
        v-off="!password && 'Type your password first.'"
      >
        {{ password ? 'Erase for good' : 'Type your password first' }}
      </button>
    </form>
    <p v-if="trouble" role="alert" class="mt-3 text-mind font-medium">{{ trouble }}</p>
  </PlainDialog>
</template>
