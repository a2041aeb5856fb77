<script setup lang="ts">
import { dayAndTime } from '~/support/time'

const session = useSessionStore()
const { settings, trouble: notKept, done: kept, saveChoices } = useSettings()
const { copies, trouble, done, make } = useCopies()
const busy = ref(false)
const MEGA = 1e6
async function makeNow() {
  busy.value = true
  await make()
  busy.value = false
}
const wish = computed(() => settings.value?.choices.copies)
const folders = computed(() =>
  (copies.value?.folders ?? []).map((folder) => ({ value: folder, words: folder })),
)
type Wish = NonNullable<typeof wish.value>
const set = (change: Partial<Wish>) => saveChoices({ copies: { ...wish.value!, ...change } })
const HOURS = Array.from({ length: 24 }, (_, hour) => ({
  value: String(hour),
  words: `${String(hour).padStart(2, '0')}:00`,
}))
const timeZone = computed(() => session.salon?.timeZone ?? 'UTC')
</script>

<template>
  <div class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble || notKept" :done="done || kept" />
    <p v-if="copies?.why" class="px-4 py-3 bg-sunk border-l-4 border-line">{{ copies.why }}</p>
    <section v-if="wish" aria-label="Every day" class="flex flex-col gap-3">
      <FieldTick :checked="wish.daily" @change="set({ daily: $event })">
        A copy every day, photographs included
      </FieldTick>
      <div class="grid grid-cols-3 gap-4 max-w-2xl">
        <FieldChoice
          v-if="wish.daily"
          label="At"
          :value="String(wish.hour)"
          :options="HOURS"
          @change="set({ hour: Number($event) })"
        />
        <FieldNumber
          label="So many stay; older ones go"
          :value="wish.count"
          :min="1"
          :max="365"
          @change="set({ count: $event })"
        />
        <FieldChoice
          v-if="folders.length > 0"
          label="Into"
          :value="wish.folder || folders[0]!.value"
          :options="folders"
          @change="set({ folder: $event })"
        />
      </div>
      <p class="text-soft text-sm max-w-[70ch]">
        A copy beside the salon helps against a slip, not against a fire or a thief: name a folder
        on another disk in ZEN_BACKUP_DIR, and a passphrase in ZEN_BACKUP_PASSPHRASE. `npm run
        restore` puts one back into an empty database.
      </p>
    </section>
    <button
      type="button"
      class="rung rung-strong self-start !min-h-[52px]"
      :disabled="busy"
      v-off="copies?.why"
      @click="makeNow"
    >
      {{ busy ? 'Making a copy …' : 'Make a copy now' }}
    </button>
    <section aria-label="Made" class="border-t border-line pt-3">
      <h3 class="text-xl mb-1">Made</h3>
      <ul>
        <li
          v-for="run in copies?.runs ?? []"
          :key="String(run.at)"
          class="flex gap-4 py-2 border-b border-hair"
        >
          <span class="w-44 tabular-nums">{{ dayAndTime(String(run.at), timeZone) }}</span>
          <span v-if="run.ok" class="flex-1 min-w-0 truncate">{{ run.file }}</span>
          <span v-else class="flex-1 text-mind">{{ run.says }}</span>
          <span v-if="run.ok" class="text-soft">{{ (run.bytes / MEGA).toFixed(1) }} MB</span>
        </li>
      </ul>
      <p v-if="copies?.runs.length === 0" class="text-soft py-2">None yet.</p>
    </section>
  </div>
</template>
