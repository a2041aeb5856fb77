<script setup lang="ts">
import { dequal } from 'dequal'
import type { Origin } from '~/composables/protocols/useLibrary'
import { libraryFor, NO_WISH, type Shelved, type Wish } from '~/support/protocols/library'

const session = useSessionStore()
const mayWrite = computed(() => session.can('protocol.write'))
const { protocols, trouble, notice, undoing, load, create, putAway, takeIn } = useLibrary()
onMounted(load)
const wish = ref<Wish>(NO_WISH)
const isWished = computed(() => !dequal(wish.value, { ...NO_WISH, away: wish.value.away }))
const found = computed(() => libraryFor(protocols.value ?? [], wish.value))
const longestS = computed(() =>
  Math.max(1, ...(protocols.value ?? []).map((protocol) => protocol.workS)),
)
const naming = ref<Origin>()
const name = ref('')
function startAnew() {
  name.value = ''
  naming.value = { from: 'nothing' }
}
function startFrom(protocol: Shelved) {
  name.value = `${protocol.name}, copy`
  naming.value = { from: 'protocol', id: protocol.id }
}
</script>

<template>
  <div class="px-7 max-md:px-4 py-5 w-full max-w-[1400px] mx-auto">
    <header class="flex flex-wrap items-end gap-3 mb-4">
      <h1 class="text-4xl mr-auto">Protocols</h1>
      <template v-if="mayWrite">
        <label
          class="rung cursor-pointer focus-within:outline focus-within:outline-3 focus-within:outline-now"
        >
          Take a file in<input
            type="file"
            accept="application/json,.json"
            class="sr-only"
            @change="takeIn"
          />
        </label>
        <button type="button" class="rung rung-strong" @click="startAnew">New protocol</button>
      </template>
    </header>
    <LibraryWishes
      :wish="wish"
      :protocols="protocols ?? []"
      :is-wished="isWished"
      @change="wish = $event"
    />
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <p v-if="notice" role="status" class="mb-3 text-calm flex items-center gap-3">
      {{ notice }}
      <button v-if="undoing" type="button" class="pick text-ink" @click="putAway(undoing, false)">
        Undo
      </button>
    </p>
    <p v-if="!protocols && !trouble" class="text-soft">Opening …</p>
    <ul v-else-if="protocols" class="border-t border-line" aria-label="Library">
      <li
        v-for="protocol in found"
        :key="protocol.id"
        class="border-b border-hair grid max-md:grid-cols-[minmax(0,1fr)] md:grid-cols-[minmax(0,1fr)_20rem_9rem_3rem] items-center gap-5 pl-1"
      >
        <LibraryRow
          :protocol="protocol"
          :longest-s="longestS"
          :may-write="mayWrite"
          @copy="startFrom(protocol)"
          @put-away="putAway(protocol, !protocol.archived)"
        />
      </li>
      <li v-if="found.length === 0" class="py-8 text-soft">{{
        wish.away ? 'Nothing is put away.' : 'No protocol answers all of this. Take one wish back.'
      }}</li>
    </ul>
    <PlainDialog
      :open="naming !== undefined"
      :title="naming?.from === 'protocol' ? 'Copy a protocol' : 'New protocol'"
      @close="naming = undefined"
    >
      <form class="flex flex-col gap-3" @submit.prevent="naming && create(naming, name)">
        <label class="flex flex-col gap-1">
          Name
          <input v-model="name" class="field" required maxlength="120" />
        </label>
        <p class="text-soft text-sm">
          It starts as a draft. It can be booked when you have published it.
        </p>
        <p v-if="trouble" role="alert" class="text-mind">
          {{ trouble }}
        </p>
        <div class="flex justify-end gap-3">
          <button type="button" class="rung" @click="naming = undefined">Cancel</button>
          <button type="submit" class="rung rung-strong">Begin</button>
        </div>
      </form>
    </PlainDialog>
  </div>
</template>
