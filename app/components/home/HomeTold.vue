<script setup lang="ts">
import { HOME_ROLES, type HomeRole } from '#core/catalog'
import { HOME_KEPT, isStrong, ROLE_WORDS, type HomeTold, type HomeUse } from '#core/homecare'
import { homeUses } from '~/support/home/home-input'
import { shortDate } from '~/support/time'

/** What the client uses at home, by a touch each, and whether they kept to the plan they were given. */
defineProps<{ disabled: boolean }>()
const store = useVisitStore()
const home = computed(() => store.data?.home)
const isAsked = computed(() => home.value?.told?.visitId === store.data?.visit.id)
const uses = computed(() => homeUses({ home: home.value! }) ?? [])
const kept = computed(() => (isAsked.value ? home.value?.told?.told.kept : null) ?? undefined)
const why = computed(() => (isAsked.value ? home.value?.told?.told.why : '') ?? '')
const ROLES = HOME_ROLES.filter((role) => role !== 'neck')
const KEPT = HOME_KEPT.map((value) => ({ value, words: value }))
const A_WEEK = [1, 2, 3, 4, 5, 6, 7].map((value) => ({ value, words: String(value) }))
const nameOf = (role: HomeRole) => ROLE_WORDS[role].name.replace(/ SPF.*| or other.*| or fluid/, '')
const chosen = computed(() => uses.value.map(({ role }) => role))
const detailed = computed(() =>
  uses.value.map((use, at) => ({ ...use, at })).filter(({ role }) => isStrong(role)),
)
const tell = (more: Partial<HomeTold>) =>
  store.tellHome({ uses: [...uses.value], kept: kept.value ?? null, why: why.value, ...more })
function choose(roles: HomeRole[]) {
  const still = uses.value.filter(({ role }) => roles.includes(role))
  const added = roles.filter((role) => !chosen.value.includes(role)).map(fresh)
  return tell({ uses: [...still, ...added] })
}
const fresh = (role: HomeRole): HomeUse => ({
  ...{ role, name: '', times: [...ROLE_WORDS[role].times], prescribed: false },
  perWeek: isStrong(role) ? 3 : 7,
})
const put = (at: number, more: Partial<HomeUse>) =>
  tell({ uses: uses.value.map((use, nth) => (nth === at ? { ...use, ...more } : use)) })
</script>

<template>
  <section aria-label="At home now">
    <div v-if="home?.before" class="mb-4">
      <p class="mb-1">The plan of {{ shortDate(home.before.on) }} was kept</p>
      <RadioPicks
        label="Kept to the plan"
        :value="kept"
        :options="KEPT"
        :disabled="disabled"
        @change="tell({ kept: $event })"
      />
      <FieldText
        v-if="kept && kept !== 'as told'"
        class="mt-2"
        label="Why"
        :value="why"
        :maxlength="400"
        @change="tell({ why: $event })"
      />
    </div>
    <p class="mb-1">What they use</p>
    <div role="group" aria-label="What they use" class="flex flex-wrap gap-1">
      <PickMany :chosen="chosen" :options="ROLES" :words="nameOf" @change="choose" />
      <button
        type="button"
        class="pick"
        :aria-pressed="isAsked && uses.length === 0"
        :disabled="disabled"
        @click="tell({ uses: [] })"
      >
        Nothing
      </button>
    </div>
    <div
      v-for="use in detailed"
      :key="use.at"
      class="mt-3 pl-3 border-l-2 border-now"
      role="group"
      :aria-label="nameOf(use.role)"
    >
      <p class="flex items-baseline gap-3">
        <span class="font-semibold">{{ use.name || nameOf(use.role) }}</span>
        <span class="text-soft">times a week</span>
      </p>
      <RadioPicks
        class="mt-1 [&>.pick]:!min-w-11 [&>.pick]:!px-0"
        label="Times a week"
        :value="use.perWeek"
        :options="A_WEEK"
        :disabled="disabled"
        @change="put(use.at, { perWeek: $event })"
      />
      <button
        type="button"
        class="pick mt-1"
        :aria-pressed="use.prescribed"
        :disabled="disabled"
        @click="put(use.at, { prescribed: !use.prescribed })"
      >
        By a physician
      </button>
    </div>
    <p v-if="!isAsked && !disabled" class="mt-2 text-sm text-soft">{{
      home?.told || home?.before
        ? 'As it was told before; a touch says what is so today.'
        : 'Not asked yet: nothing strong is put in until it is.'
    }}</p>
  </section>
</template>
