<script setup lang="ts">
import { calledOffText, confirmationText } from '#core/messages'
import { PLACES, USUAL_WORDS, wordsFault } from '#core/salon'

/** What clients are told, in the salon's own words, beside how it reads. */
const { settings, trouble, done, saveChoices } = useSettings()
const KINDS = [
  { value: 'confirmation', words: 'A visit is booked or moved', textOf: confirmationText },
  { value: 'calledOff', words: 'A visit is called off', textOf: calledOffText },
] as const
type Kind = (typeof KINDS)[number]['value']
const kind = ref<Kind>('confirmation')
const typed = ref('')
const kept = computed(() => settings.value?.choices.words[kind.value])
watch(kept, (words) => (typed.value = words ?? ''), { immediate: true })
const fault = computed(() => wordsFault(typed.value))
const shown = computed(() =>
  KINDS.find(({ value }) => value === kind.value)!.textOf(
    {
      ...{ salon: settings.value!.facts.name, address: settings.value!.facts.address },
      ...{ name: 'Wren Castellane', when: 'Tuesday 24 November 2026, 09:30 to 11:00' },
    },
    typed.value,
  ),
)
const save = (words: string) =>
  saveChoices({ words: { ...settings.value!.choices.words, [kind.value]: words } })
const places = PLACES.map((place) => `{${place}}`).join(', ')
const isKept = computed(() => typed.value.trim() === kept.value)
const isUsual = computed(() => kept.value === USUAL_WORDS[kind.value])
</script>

<template>
  <section v-if="settings" aria-label="What clients are told" class="mb-8">
    <h3 class="text-xl">What clients are told</h3>
    <SaveState :trouble="trouble" :done="done" />
    <RadioPicks label="Which message" :value="kind" :options="KINDS" @change="kind = $event" />
    <div class="grid grid-cols-2 gap-5 mt-3">
      <form class="flex flex-col gap-2" @submit.prevent="save(typed)">
        <textarea
          v-model="typed"
          class="field py-2 h-72"
          maxlength="4000"
          aria-label="Words of the message"
          :aria-describedby="fault ? 'words-fault' : undefined"
        />
        <p class="text-sm text-soft"> Places that are filled in: {{ places }} </p>
        <div class="flex gap-3">
          <button
            type="submit"
            class="rung rung-strong"
            v-off="fault ?? (isKept && 'Nothing is changed yet.')"
          >
            Keep the words
          </button>
          <button v-if="!isUsual" type="button" class="rung" @click="save(USUAL_WORDS[kind])">
            As they were
          </button>
          <p v-if="isKept" class="text-soft self-center">Nothing is changed yet.</p>
        </div>
      </form>
      <div>
        <p v-if="fault" id="words-fault" role="alert" class="text-mind font-medium">{{ fault }}</p>
        <template v-else>
          <p class="font-semibold">{{ shown.subject }}</p>
          <p class="whitespace-pre-line mt-2 break-words">{{ shown.body }}</p>
        </template>
      </div>
    </div>
    <p class="text-soft text-sm mt-2 max-w-[70ch]">
      Say nothing of skin or health in it: a message can be read by anybody. It goes only to clients
      who have agreed to e-mail, and only when you send it.
    </p>
  </section>
</template>
