<script setup lang="ts">
import { call } from '~/support/api'
import { useNow } from '@vueuse/core'
import { byName } from '~/support/options'
import { sinceInWords } from '~/support/people/sessions'

const session = useSessionStore()
const { settings, trouble: notKept, saveChoices } = useSettings()
const { shown: tablets, refused, trouble, done, change } = useChanges(() => call('/api/tablets'))
const form = ref({ name: '', roomId: '', password: '', code: '' })
const wantsCode = ref(false)
const now = useNow({ interval: 60_000 })
const rooms = computed(() => byName(settings.value?.rooms.filter(({ isUsed }) => isUsed) ?? []))
const isHere = computed(() => tablets.value?.some((tablet) => tablet.isHere && !tablet.revokedAt))

async function enrol() {
  const { name, roomId, password, code } = form.value
  const body = { name, password, roomId: roomId || null, ...(wantsCode.value ? { code } : {}) }
  const words = 'This browser is a tablet of the salon.'
  const made = await change(() => call('/api/tablets', { method: 'post', body }), words)
  if (refused.value?.code === 'totp_wanted') wantsCode.value = true
  if (!made) return
  form.value = { name: '', roomId: '', password: '', code: '' }
  wantsCode.value = false
}
const callOff = (id: string) =>
  change(
    () => call('/api/tablets/:id', { method: 'delete', params: { id } }),
    'Called off: it forgets what it held.',
  )
</script>

<template>
  <div class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble || notKept" :done="done" />
    <p v-if="tablets?.length === 0" class="text-lg text-soft">
      No tablet yet. On the tablet itself, sign in as the owner and come here.
    </p>
    <ul v-else>
      <li
        v-for="tablet in tablets ?? []"
        :key="tablet.id"
        class="flex items-center gap-4 min-h-[56px] border-b border-hair"
        :class="tablet.revokedAt && 'text-soft'"
      >
        <span class="flex-1">
          <span class="text-lg font-semibold">{{ tablet.name }}</span>
          <span class="text-soft"> {{ tablet.room ?? '' }}</span>
        </span>
        <span v-if="tablet.revokedAt" class="text-soft">called off</span>
        <template v-else>
          <span class="text-soft">
            {{ tablet.isHere ? 'this one' : `seen ${sinceInWords(tablet.seenAt, now)}` }}
          </span>
          <button type="button" class="rung" @click="callOff(tablet.id)">Call it off</button>
        </template>
      </li>
    </ul>
    <p v-if="settings" class="flex items-center gap-2 flex-wrap">
      A tablet covers what it shows after
      <FieldNumber
        beside
        name="Minutes without a touch"
        :value="settings.choices.coverMinutes"
        :min="1"
        :max="60"
        @change="saveChoices({ coverMinutes: $event })"
      />
      minutes without a touch; in Perform clocks and <em>Stings</em> stay.
    </p>
    <p v-if="isHere" class="text-soft">
      Sign out, and this tablet shows names. Whoever has a PIN opens it with that.
    </p>
    <form
      v-else-if="tablets && settings"
      class="grid grid-cols-2 gap-4 border-t border-line pt-4"
      @submit.prevent="enrol"
    >
      <h3 class="text-xl col-span-2">Make this browser a tablet of {{ session.salon?.name }}</h3>
      <label class="flex flex-col gap-1 text-sm text-soft">
        What it is called
        <input v-model="form.name" class="field !text-ink" maxlength="60" required />
      </label>
      <FieldChoice
        label="Where it is"
        unset="No room of its own"
        :value="form.roomId"
        :options="rooms"
        @change="form.roomId = $event"
      />
      <OwnPassword v-model="form.password" />
      <label v-if="wantsCode" class="flex flex-col gap-1 text-sm text-soft">
        The code from your phone
        <input
          v-model="form.code"
          class="field !text-ink"
          autocomplete="one-time-code"
          maxlength="20"
          required
        />
      </label>
      <div class="col-span-2">
        <button type="submit" class="rung rung-strong">Make it a tablet</button>
      </div>
    </form>
  </div>
</template>
