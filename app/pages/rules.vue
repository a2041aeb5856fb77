<script setup lang="ts">
import { RUNGS } from '#core/strength'
import { LEVER_WORDS } from '#core/protocol'
import {
  EMERGENCIES,
  emergencySteps,
  FAMILY_NAMES,
  NO_SETTINGS,
  RULE_BOOK,
  RULE_BOOK_VERSION,
  type Rule,
  type RuleSettings,
} from '#core/safety'
import { call } from '~/support/api'
import { rulePage, rulesFound } from '~/support/rules/rule-book'

const session = useSessionStore()
const route = useRoute()
const router = useRouter()
const PAGES = RULE_BOOK.map(rulePage)
const settings = ref<RuleSettings>(NO_SETTINGS)
const { trouble, attempt } = useAttempt()
const typed = ref('')

type Part = Rule['family'] | 'G' | 'set' | 'rungs' | 'known'
const part = computed<Part>(() =>
  typeof route.query.part === 'string'
    ? (route.query.part as Part)
    : (chosen.value?.rule.family ?? 'A'),
)
const chosen = computed(() => PAGES.find((page) => page.rule.id === route.query.rule))
const isSet = (id: string) =>
  settings.value.adviceOff.includes(id) || settings.value.windowDays[id] !== undefined
const found = computed(() => rulesFound(PAGES, typed.value))
const parts = computed(() => {
  const families = (Object.keys(FAMILY_NAMES) as Rule['family'][]).map((id) => ({
    id: id as Part,
    name: FAMILY_NAMES[id],
    count: found.value.filter((page) => page.rule.family === id).length,
  }))
  return [
    ...families.slice(0, 6),
    { id: 'G' as Part, name: 'Emergency', count: EMERGENCIES.length },
    ...families.slice(6),
    { id: 'rungs' as Part, name: 'Rungs', count: Object.keys(RUNGS).length },
    {
      id: 'set' as Part,
      name: 'Set by the studio',
      count: PAGES.filter((page) => isSet(page.rule.id)).length,
    },
  ]
})
const shown = computed(() =>
  found.value.filter((page) =>
    part.value === 'set'
      ? isSet(page.rule.id)
      : typed.value.trim() !== '' || page.rule.family === part.value,
  ),
)
const isList = computed(() => !['G', 'rungs', 'known'].includes(part.value))

const load = () =>
  attempt(async () => {
    settings.value = await call('/api/rules')
  })
onMounted(load)
const go = (to: Part) => {
  typed.value = ''
  void router.replace({ query: { part: to } })
}
const choose = (id: string) =>
  router.replace({
    query: { ...(part.value === chosen.value?.rule.family ? {} : { part: part.value }), rule: id },
  })
const NOBODY = { number: 'the emergency number', address: 'the salon’s address', off: '' }
const stepsOf = (emergency: (typeof EMERGENCIES)[number]) => emergencySteps(emergency, NOBODY)
const limitsOf = (table: (typeof RUNGS)[keyof typeof RUNGS]) =>
  [0, 1, 2, 3].map((at) =>
    [
      table.freeAcid ? `${table.freeAcid[at]} % free acid` : '',
      table.share && !table.words ? `${100 * table.share[at]!} % of its usual minutes` : '',
      table.minutes ? `${table.minutes[at]} min` : '',
      table.words?.[at] ?? '',
    ]
      .filter(Boolean)
      .join(', '),
  )
const { said } = useMeasures()
</script>

<template>
  <div class="px-7 max-md:px-4 py-5 w-full flex-1">
    <header class="flex flex-wrap items-end gap-4 mb-4 min-h-[48px]">
      <h1 class="text-4xl">Rule book</h1>
      <p class="text-soft pb-1">
        version {{ RULE_BOOK_VERSION }}, {{ PAGES.length }} rules; local codes and your licence come
        first
      </p>
      <label v-if="isList" class="ml-auto max-sm:ml-0 max-sm:w-full">
        <span class="sr-only">Search the rules</span>
        <input
          v-model="typed"
          class="field w-80 max-sm:w-full"
          type="search"
          placeholder="steam, pacemaker, latex …"
        />
      </label>
    </header>
    <p v-if="trouble" role="alert" class="text-mind mb-3">{{ trouble }}</p>
    <div
      class="grid gap-7"
      :class="
        isList
          ? 'max-lg:grid-cols-[minmax(0,1fr)] lg:grid-cols-[12.5rem_minmax(0,1fr)_27rem]'
          : 'grid-cols-[12.5rem_minmax(0,1fr)]'
      "
    >
      <nav
        aria-label="Parts of the rule book"
        class="flex flex-col border-t border-hair self-start sticky top-4"
      >
        <button
          v-for="entry in parts"
          :key="entry.id"
          type="button"
          class="flex justify-between gap-2 text-left min-h-[46px] items-center px-2 border-b border-hair"
          :class="part === entry.id && !typed && 'bg-ink text-ground font-semibold'"
          :aria-current="part === entry.id ? 'true' : undefined"
          @click="go(entry.id)"
        >
          <span>{{ entry.id.length === 1 ? `${entry.id}  ` : '' }}{{ entry.name }}</span>
          <span class="text-sm" :class="part === entry.id && !typed ? '' : 'text-soft'">{{
            entry.count
          }}</span>
        </button>
        <button
          type="button"
          class="text-left min-h-[46px] px-2 border-b border-hair"
          :class="part === 'known' && 'bg-ink text-ground font-semibold'"
          :aria-current="part === 'known' ? 'true' : undefined"
          @click="go('known')"
        >
          Medicines, conditions
        </button>
      </nav>

      <template v-if="isList">
        <ul class="border-t border-line" aria-label="Rules">
          <li v-for="page in shown" :key="page.rule.id" class="border-b border-hair">
            <button
              type="button"
              class="w-full text-left grid grid-cols-[4.6rem_1fr_auto] gap-3 items-center min-h-[52px] px-2 py-1"
              :class="chosen?.rule.id === page.rule.id ? 'bg-now-ground' : 'hover:bg-sunk'"
              :aria-pressed="chosen?.rule.id === page.rule.id"
              @click="choose(page.rule.id)"
            >
              <span class="text-sm text-soft break-words">{{ page.rule.id }}</span>
              <span
                class="font-semibold"
                :class="settings.adviceOff.includes(page.rule.id) && 'line-through'"
              >
                {{ said(page.rule.title) }}
                <span v-if="isSet(page.rule.id)" class="block text-sm font-normal text-now">{{
                  settings.adviceOff.includes(page.rule.id)
                    ? 'advice off'
                    : `${settings.windowDays[page.rule.id]} days here`
                }}</span>
              </span>
              <span
                class="text-sm whitespace-nowrap"
                :class="page.strictest.forbids ? 'text-mind' : 'text-soft'"
              >
                {{ page.strictest.words }}
              </span>
            </button>
          </li>
          <li v-if="shown.length === 0" class="py-3 text-soft">{{
            part === 'set' ? 'The book stands as it ships.' : 'No rule says that.'
          }}</li>
        </ul>
        <div
          class="sticky top-4 self-start max-h-[calc(100vh-2rem)] overflow-y-auto border-l border-line pl-6"
          tabindex="0"
          aria-label="The rule"
        >
          <RuleDetail
            v-if="chosen"
            :page="chosen"
            :settings="settings"
            :owner="session.can('rules.write')"
            :sees-health="session.can('health.read')"
            @set="load"
          />
          <p v-else class="text-soft">
            Touch a rule to see when it holds, what it does, what it rests on and whom it touches.
          </p>
        </div>
      </template>

      <section v-else-if="part === 'G'" aria-label="Emergency">
        <p class="text-soft mb-2">
          On the red card in Perform, without a network. Common first aid, values from memory.
        </p>
        <ul class="border-t border-line">
          <li
            v-for="emergency in EMERGENCIES"
            :key="emergency.id"
            class="grid grid-cols-[4rem_1fr] gap-3 py-3 border-b border-hair"
          >
            <span class="text-soft">
              {{ emergency.id }}
            </span>
            <span>
              <span class="font-semibold text-mind">
                {{ emergency.name }}
              </span>
              <span class="text-soft"> · {{ emergency.signs }}</span>
              <span class="block">{{ stepsOf(emergency).join(' ') }}</span>
            </span>
          </li>
        </ul>
      </section>
      <section v-else-if="part === 'rungs'" aria-label="Rungs">
        <p class="text-soft mb-2">
          House conventions (common practice, no source). Rung 0 leaves the lever out; above rung 4
          only by recorded scope.
        </p>
        <table class="w-full text-left">
          <thead>
            <tr class="border-b border-line text-soft">
              <th scope="col" class="py-2 font-normal">Lever</th>
              <th v-for="n in 4" :key="n" scope="col" class="py-2 font-normal">Rung {{ n }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="table in RUNGS" :key="table.lever" class="border-b border-hair">
              <th scope="row" class="py-3 pr-4 font-semibold first-letter:uppercase">
                {{ LEVER_WORDS[table.lever] }}
              </th>
              <td v-for="(words, at) in limitsOf(table)" :key="at" class="py-3 pr-3">{{
                words
              }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <KnownList v-else :owner="session.can('rules.write')" />
    </div>
  </div>
</template>
