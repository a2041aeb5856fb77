<script setup lang="ts">
import { METHODS } from '#core/compose'

/** Who is of age here, and how this house works where practitioners differ. */
const { settings, trouble, done, saveChoices } = useSettings()
const session = useSessionStore()
const choices = computed(() => settings.value?.choices)
type Minors = NonNullable<typeof choices.value>['minors']
const AGES = [16, 17, 18, 19, 20, 21].map((age) => ({ value: String(age), words: `at ${age}` }))
const setMinors = (wish: Partial<Minors>) =>
  saveChoices({ minors: { ...choices.value!.minors, ...wish } })
/** The builder reads what the house does from the session: it is told at once. */
async function setSchool(question: string, school: string) {
  const methods = { ...choices.value!.methods }
  if (school) methods[question] = school
  else Reflect.deleteProperty(methods, question)
  await saveChoices({ methods })
  if (!trouble.value) await session.reload()
}
const schoolsOf = ({ schools, byDefault }: (typeof METHODS)[number]) => [
  { value: '', words: 'each card says' },
  ...schools.map(({ id, name }) => ({
    value: id,
    words: id === byDefault ? `${name} (usual)` : name,
  })),
]
const whyOf = ({ id, schools }: (typeof METHODS)[number]) =>
  schools.find((school) => school.id === choices.value?.methods[id])?.why
</script>

<template>
  <div v-if="choices" class="max-w-3xl flex flex-col gap-6">
    <SaveState :trouble="trouble" :done="done" />
    <section aria-label="Of age" class="flex flex-col gap-3">
      <h3 class="text-xl">Of age</h3>
      <FieldChoice
        class="max-w-xs"
        label="Here somebody is of age"
        :value="String(choices.minors.majority)"
        :options="AGES"
        @change="setMinors({ majority: Number($event) })"
      />
      <FieldTick
        :checked="choices.minors.guardianStays"
        @change="setMinors({ guardianStays: $event })"
      >
        The guardian stays in the room
      </FieldTick>
      <p class="text-soft text-sm max-w-[70ch]">
        Local law decides. Whoever is younger needs a guardian’s dated signature, and somebody whose
        scope has minors in it; visits that are fitted from now on go by it. Under 16 the mildest
        form stays, whatever is set.
      </p>
    </section>
    <section aria-label="Where practitioners differ" class="border-t border-line pt-3">
      <h3 class="text-xl">Where practitioners differ</h3>
      <p class="text-soft text-sm mb-2 max-w-[70ch]">
        What you choose here is marked as ours in the builder, where one touch writes a card that
        way. No card changes by itself.
      </p>
      <div
        v-for="method in METHODS"
        :key="method.id"
        class="grid max-sm:grid-cols-[minmax(0,1fr)] sm:grid-cols-[13rem_1fr] gap-x-4 items-center py-2 border-b border-hair"
      >
        <span aria-hidden="true">{{ method.asks }}</span>
        <FieldChoice
          beside
          class="choice-fills"
          :name="method.asks"
          :value="choices.methods[method.id] ?? ''"
          :options="schoolsOf(method)"
          @change="setSchool(method.id, $event)"
        />
        <p v-if="whyOf(method)" class="col-start-2 text-sm text-soft">{{ whyOf(method) }}</p>
      </div>
    </section>
    <p class="text-soft">
      Windows of days, and advice that can be switched off, are set rule by rule in
      <NuxtLink to="/rules" class="underline underline-offset-4">Rules</NuxtLink>; what is asked for
      a visit in
      <NuxtLink to="/settings/money" class="underline underline-offset-4">Money</NuxtLink>.
    </p>
  </div>
</template>
