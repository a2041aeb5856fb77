<script setup lang="ts">
import { HAZARDS, ROLES, type Hazard } from '#core/salon'
import type { Person, usePeople } from '~/composables/usePeople'
import { HAZARD_WORDS, ROLE_LINES, ROLE_WORDS } from '~/support/people/words'

/** One person: role, scope with licences, what they have to mind, and how they come in. */
const props = defineProps<{ person: Person; staff: ReturnType<typeof usePeople> }>()
const emit = defineEmits<{ close: [] }>()
const OPTIONS = ROLES.map((role) => ({ value: role, words: ROLE_WORDS[role] }))
const trouble = computed(() => props.staff.trouble.value)
const password = ref('')
const weakness = ref<string>()
const write = (change: Partial<Person>) => props.staff.write({ ...props.person, ...change })
const about = computed(() => [props.person.name, props.person.email])
function flipHazard(hazard: Hazard, isOn: boolean) {
  const others = props.person.hazards.filter((other) => other !== hazard)
  return write({ hazards: isOn ? [...others, hazard] : others })
}
async function setPassword() {
  if (await props.staff.setPassword(props.person, password.value)) password.value = ''
}
async function makeLink() {
  await props.staff.newLink(props.person)
  if (!trouble.value) emit('close')
}
</script>

<template>
  <PlainDialog open wide :title="person.name" @close="emit('close')">
    <div class="flex flex-col gap-6 max-h-[70vh] overflow-y-auto pr-2">
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <div class="grid grid-cols-2 gap-4">
        <FieldText
          needed
          label="Name"
          :value="person.name"
          :maxlength="120"
          @change="write({ name: $event })"
        />
        <FieldChoice
          label="Role"
          :value="person.role"
          :options="OPTIONS"
          @change="write({ role: $event })"
        />
        <p class="col-span-2 text-soft -mt-2">{{ ROLE_LINES[person.role] }}</p>
      </div>
      <section v-if="person.practitionerId" aria-label="Scope">
        <h3 class="text-xl mb-1">May also do</h3>
        <p class="text-soft mb-2">
          Local law and the licence decide. Past its last day a licence counts no more.
        </p>
        <ScopeRows :scope="person.scope" @change="write({ scope: $event })" />
      </section>
      <section v-if="person.practitionerId" aria-label="To mind">
        <h3 class="text-xl mb-1">Has to mind</h3>
        <FieldTick
          v-for="hazard in HAZARDS"
          :key="hazard"
          :checked="person.hazards.includes(hazard)"
          @change="flipHazard(hazard, $event)"
        >
          {{ HAZARD_WORDS[hazard] }}
        </FieldTick>
      </section>
      <FieldTick v-else :checked="false" @change="staff.write(person, true)">
        Performs treatments, and can be booked
      </FieldTick>
      <section aria-label="Coming in" class="flex flex-col gap-3">
        <h3 class="text-xl">Coming in</h3>
        <div class="flex flex-wrap gap-3">
          <button v-if="person.homeId === null" type="button" class="rung" @click="makeLink">
            {{ person.isInvited ? 'Another invitation' : 'Link for a new password' }}
          </button>
          <button
            v-if="person.hasTotp && person.homeId === null"
            type="button"
            class="rung"
            @click="staff.noSecondStep(person)"
          >
            Second step off
          </button>
          <button
            type="button"
            class="rung"
            @click="staff.stand(person, { locked: !person.lockedAt })"
          >
            {{ person.lockedAt ? 'Let in again' : 'Lock out' }}
          </button>
          <button type="button" class="rung" @click="staff.stand(person, { left: !person.leftAt })">
            {{ person.leftAt ? 'Is back' : 'Has left' }}
          </button>
        </div>
        <p v-if="person.homeId !== null" class="text-soft">
          They sign in by their account of another salon of this house; password and second step are
          changed there.
        </p>
        <form
          v-else
          class="grid grid-cols-[1fr_auto] gap-3 items-start"
          @submit.prevent="setPassword"
        >
          <PasswordField
            label="Or a password, set together at the desk"
            :value="password"
            :about="about"
            @change="password = $event"
            @weak="weakness = $event"
          />
          <button
            type="submit"
            class="rung mt-7"
            v-off="(!password && 'Type the password first.') || weakness"
          >
            Set it
          </button>
        </form>
      </section>
    </div>
    <div class="flex justify-end mt-5">
      <button type="button" class="rung" @click="emit('close')">Done</button>
    </div>
  </PlainDialog>
</template>
