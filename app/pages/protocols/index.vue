<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { MoreHorizontal } from 'lucide-vue-next'
import { CONCERNS } from '#core/client'
import { PHASES } from '#core/protocol'
import { call, refusalOf } from '~/support/api'
import { chosenText } from '~/support/files'
import { libraryFor, NO_WISH, type Shelved, type Wish } from '~/support/protocols/library'
import { halfMinutes, shortDate } from '~/support/time'
import { textOf as text } from '~/support/typed'

const session = useSessionStore()
const mayWrite = computed(
  () => session.account?.role === 'owner' || session.account?.role === 'practitioner',
)
const protocols = ref<Shelved[]>()
const trouble = ref('')
const told = ref('')
const wish = ref<Wish>(NO_WISH)
const naming = ref<{ from: 'nothing' } | { from: 'protocol'; id: string }>()
const name = ref('')
const undoing = ref<Shelved>()
const found = computed(() => libraryFor(protocols.value ?? [], wish.value))
const devices = computed(() =>
  [...new Set((protocols.value ?? []).flatMap((one) => one.devices))].sort(),
)
const longest = computed(() => Math.max(1, ...(protocols.value ?? []).map((one) => one.workS)))
const isWished = computed(
  () => JSON.stringify(wish.value) !== JSON.stringify({ ...NO_WISH, away: wish.value.away }),
)
const set = (more: Partial<Wish>) => {
  wish.value = { ...wish.value, ...more }
}

async function load() {
  try {
    protocols.value = await call<Shelved[]>('/api/protocols')
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
onMounted(load)
async function attempt(work: () => Promise<void>) {
  trouble.value = told.value = ''
  try {
    await work()
  } catch (error) {
    trouble.value = refusalOf(error).detail
  }
}
const create = () =>
  attempt(async () => {
    const { id } = await call<{ id: string }>('/api/protocols', {
      method: 'POST',
      body: { ...naming.value, name: name.value },
    })
    await navigateTo(`/protocols/${id}`)
  })
const putAway = (one: Shelved, archived: boolean) =>
  attempt(async () => {
    await call(`/api/protocols/${one.id}/archived`, { method: 'PUT', body: { archived } })
    undoing.value = archived ? one : undefined
    told.value = archived
      ? `${one.name} is put away; what is booked keeps it.`
      : `${one.name} is back in the library.`
    await load()
  })
const start = (from: NonNullable<typeof naming.value>, proposed: string) => {
  name.value = proposed
  naming.value = from
}
const takeIn = (event: Event) =>
  attempt(async () => {
    const chosen = await chosenText(event, { bytes: 2_000_000, what: 'a protocol file' })
    if (!chosen) return
    if ('trouble' in chosen) return void (trouble.value = chosen.trouble)
    let parsed: unknown
    try {
      parsed = JSON.parse(chosen.text)
    } catch (error) {
      trouble.value = `${chosen.name} is not JSON: ${(error as Error).message}. Nothing was taken in.`
      return
    }
    const { id, missing } = await call<{ id: string; missing: string[] }>('/api/protocols', {
      method: 'POST',
      body: { from: 'file', file: parsed },
    })
    if (missing.length === 0) return void (await navigateTo(`/protocols/${id}`))
    told.value = `Taken in as a draft. Not on your shelf: ${missing.join(', ')}. Open it and choose what stands in.`
    await load()
  })
</script>

<template>
  <div class="px-7 py-5 w-full max-w-[1400px] mx-auto">
    <header class="flex items-end gap-3 mb-4">
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
        <button type="button" class="rung rung-strong" @click="start({ from: 'nothing' }, '')">
          New protocol
        </button>
      </template>
    </header>
    <div class="flex flex-wrap items-end gap-3 mb-3">
      <label class="flex flex-col gap-1 text-sm text-soft flex-1 min-w-56">
        Find
        <input
          class="field !text-ink text-base"
          type="search"
          placeholder="a name, a word of its note"
          :value="wish.typed"
          @input="set({ typed: text($event) })"
        />
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        For
        <select
          class="field !text-ink"
          :value="wish.concern"
          @change="set({ concern: text($event) as Wish['concern'] })"
        >
          <option value="">anything</option>
          <option v-for="one in CONCERNS" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        With a step to
        <select
          class="field !text-ink"
          :value="wish.phase"
          @change="set({ phase: text($event) as Wish['phase'] })"
        >
          <option value="">anything</option>
          <option v-for="one in PHASES" :key="one" :value="one">{{
            one.replaceAll('-', ' ')
          }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Device
        <select
          class="field !text-ink max-w-52"
          :value="wish.device"
          @change="set({ device: text($event) })"
        >
          <option value="">any or none</option>
          <option v-for="one in devices" :key="one">{{ one }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        At most
        <select
          class="field !text-ink"
          :value="wish.minutes ?? ''"
          @change="set({ minutes: Number(text($event)) || undefined })"
        >
          <option value="">any length</option>
          <option v-for="n in [30, 45, 60, 75, 90, 120]" :key="n" :value="n">{{ n }} min</option>
        </select>
      </label>
      <button
        type="button"
        class="pick"
        :aria-pressed="wish.away"
        @click="set({ away: !wish.away })"
      >
        Put away
      </button>
      <button
        v-if="isWished"
        type="button"
        class="pick"
        @click="wish = { ...NO_WISH, away: wish.away }"
      >
        Clear
      </button>
    </div>
    <p v-if="trouble" role="alert" class="mb-3 px-4 py-2.5 bg-mind-ground border-l-4 border-mind">{{
      trouble
    }}</p>
    <p v-if="told" role="status" class="mb-3 text-calm flex items-center gap-3">
      {{ told }}
      <button v-if="undoing" type="button" class="pick text-ink" @click="putAway(undoing, false)">
        Undo
      </button>
    </p>
    <p v-if="!protocols && !trouble" class="text-soft">Opening …</p>
    <ul v-else-if="protocols" class="border-t border-line" aria-label="Library">
      <li
        v-for="one in found"
        :key="one.id"
        class="border-b border-hair grid grid-cols-[minmax(0,1fr)_20rem_9rem_3rem] items-center gap-5 pl-1"
      >
        <NuxtLink :to="`/protocols/${one.id}`" class="py-2.5 min-w-0">
          <span class="text-lg block truncate">
            {{ one.name }}
          </span>
          <span class="text-sm text-soft block truncate">
            {{
              one.version
                ? `version ${one.version}${one.publishedAt ? `, ${shortDate(one.publishedAt)}` : ''}`
                : 'not published'
            }}{{ one.draftAt ? ' · a draft waits' : '' }}{{ one.note ? ` · ${one.note}` : '' }}
          </span>
        </NuxtLink>
        <svg :width="320" height="22" aria-hidden="true">
          <template v-for="(bar, at) in one.bars" :key="at">
            <rect
              :x="
                (320 * one.bars.slice(0, at).reduce((sum, before) => sum + before.seconds, 0)) /
                longest
              "
              :y="bar.hands ? 5 : 2"
              :width="Math.max(0.8, (320 * bar.seconds) / longest - 0.6)"
              :height="bar.hands ? 12 : 18"
              :fill="bar.hands ? 'var(--hands)' : 'var(--skin)'"
              :stroke="bar.hands ? 'none' : 'var(--skin-edge)'"
              stroke-width="0.8"
            />
          </template>
        </svg>
        <span class="text-right whitespace-nowrap">
          <span class="display text-2xl">{{ halfMinutes(one.workS) }}</span> min
          <span class="block text-sm text-soft">{{ one.steps }} steps</span>
        </span>
        <Menu v-if="mayWrite" as="div" class="relative">
          <MenuButton
            class="pick !px-0 grid place-items-center !border-transparent"
            :aria-label="`More of ${one.name}`"
          >
            <MoreHorizontal :size="20" />
          </MenuButton>
          <MenuItems
            class="absolute right-0 mt-1 w-52 bg-raised border border-line z-30 focus:outline-none"
          >
            <MenuItem v-slot="{ active }">
              <button
                type="button"
                class="w-full text-left px-4 h-11"
                :class="active && 'bg-sunk'"
                @click="start({ from: 'protocol', id: one.id }, `${one.name}, copy`)"
              >
                Copy
              </button>
            </MenuItem>
            <MenuItem v-if="one.version" v-slot="{ active }">
              <a
                class="block px-4 h-11 leading-11"
                :class="active && 'bg-sunk'"
                :href="`/api/protocols/${one.id}/file`"
                download
              >
                Take the file
              </a>
            </MenuItem>
            <MenuItem v-slot="{ active }">
              <button
                type="button"
                class="w-full text-left px-4 h-11"
                :class="active && 'bg-sunk'"
                @click="putAway(one, !one.archived)"
              >
                {{ one.archived ? 'Back to the library' : 'Put away' }}
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
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
      <form class="flex flex-col gap-3" @submit.prevent="create">
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
