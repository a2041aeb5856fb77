<script setup lang="ts">
import { ROLES, type Role } from '#core/salon'
import { ROLE_LINES, ROLE_WORDS } from '~/support/people/words'

const props = defineProps<{
  open: boolean
  trouble: string
  invite: (wish: {
    name: string
    email: string
    role: string
    performs: boolean
  }) => Promise<boolean>
}>()
const emit = defineEmits<{ close: [] }>()
const empty = () => ({ name: '', email: '', role: 'practitioner' as Role, performs: true })
const form = ref(empty())
const OPTIONS = ROLES.map((role) => ({ value: role, words: ROLE_WORDS[role] }))
async function send() {
  if (!(await props.invite(form.value))) return
  form.value = empty()
  emit('close')
}
function setRole(role: Role) {
  form.value.role = role
  form.value.performs = role === 'practitioner'
}
</script>

<template>
  <PlainDialog :open="open" title="Invite somebody" @close="emit('close')">
    <form class="flex flex-col gap-4" @submit.prevent="send">
      <label class="flex flex-col gap-1">
        Name
        <input v-model="form.name" class="field" minlength="2" maxlength="120" required />
      </label>
      <label class="flex flex-col gap-1">
        E-mail, to sign in with
        <input v-model.trim="form.email" class="field" type="email" maxlength="200" required />
      </label>
      <FieldChoice plain label="Role" :value="form.role" :options="OPTIONS" @change="setRole" />
      <p class="text-soft -mt-2">{{ ROLE_LINES[form.role] }}</p>
      <FieldTick :checked="form.performs" @change="form.performs = $event">
        Performs treatments, and can be booked
      </FieldTick>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <div class="flex justify-end gap-3">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Make the link</button>
      </div>
    </form>
  </PlainDialog>
</template>
