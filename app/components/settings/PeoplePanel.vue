<script setup lang="ts">
import { endingInWords, standingOf } from '~/support/people/people'
import { ROLE_WORDS } from '~/support/people/words'

const staff = usePeople()
const { people, trouble, done, link } = staff
const openId = ref<string>()
const inviting = ref(false)
const session = useSessionStore()
const fetching = ref(false)
function added() {
  fetching.value = false
  return staff.reread('They work here too now.')
}
const openPerson = computed(() => people.value?.find(({ id }) => id === openId.value))
const close = () => {
  openId.value = undefined
}
</script>

<template>
  <div class="max-w-3xl">
    <div class="flex items-center gap-4">
      <SaveState class="flex-1" :trouble="trouble" :done="done" />
      <button v-if="session.salons.length > 1" type="button" class="rung" @click="fetching = true">
        From another salon …
      </button>
      <button type="button" class="rung rung-strong" @click="inviting = true"
        >Invite somebody</button
      >
    </div>
    <LinkShown v-if="link" v-bind="link" />
    <ul class="mt-3">
      <li v-for="person in people ?? []" :key="person.id" class="border-b border-hair">
        <button
          type="button"
          class="w-full text-left grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[1fr_9rem_7rem] gap-3 items-baseline py-3 hover:bg-sunk"
          :class="person.leftAt && 'text-soft'"
          @click="openId = person.id"
        >
          <span>
            <span class="text-lg font-semibold">{{ person.name }}</span>
            <span class="block text-soft text-sm">{{ person.email }}</span>
            <span
              v-for="ending in person.ending"
              :key="ending.technique"
              class="block text-sm text-mind font-semibold"
            >
              ◷ {{ endingInWords(ending) }}
            </span>
          </span>
          <span>{{ ROLE_WORDS[person.role] }}</span>
          <span class="text-right text-sm" :class="person.lockedAt ? 'text-mind' : 'text-soft'">
            {{ standingOf(person) || (person.hasTotp ? 'second step' : '') }}
          </span>
        </button>
      </li>
    </ul>
    <InviteDialog
      :open="inviting"
      :invite="staff.invite"
      :trouble="trouble"
      @close="inviting = false"
    />
    <FromElsewhere v-if="fetching" open @close="fetching = false" @added="added" />
    <PersonSheet v-if="openPerson" :person="openPerson" :staff="staff" @close="close" />
  </div>
</template>
