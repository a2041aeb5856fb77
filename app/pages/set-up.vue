<script setup lang="ts">
import { movedTo, PARTS, summaryOf } from '~/support/set-up/form'

const session = useSessionStore()
const { form, open, trouble, weakness, busy, kinds, missing, load, goOn, found, after } = useSetUp()
const about = computed(() => [form.value.you.name, form.value.you.email, form.value.salon.name])
onMounted(load)
const start = () => found(session.setUp)
</script>

<template>
  <form class="w-full max-w-4xl mx-auto px-6 pt-6" @submit.prevent="start">
    <header class="pl-16 mb-2">
      <div class="flex items-baseline gap-4">
        <h1 class="text-4xl">Set up your salon</h1>
        <NuxtLink v-if="session.demo" to="/sign-in" class="text-link ml-auto">
          Back to the demo
        </NuxtLink>
      </div>
      <p class="mt-1 text-soft">
        Five short parts. Only the first has to be filled in; everything can be changed in Settings.
      </p>
    </header>
    <ol>
      <PartRung
        v-for="(part, at) in PARTS"
        :key="part.key"
        :number="at + 1"
        :title="part.title"
        :summary="summaryOf(part.key, form)"
        :open="open === part.key"
        :is-last="at === PARTS.length - 1"
        @open="open = part.key"
      >
        <YouPart
          v-if="part.key === 'you'"
          v-model:you="form.you"
          v-model:code="form.code"
          :about="about"
          @weak="weakness = $event"
        />
        <div v-else-if="part.key === 'salon'" class="flex flex-col gap-5">
          <SalonFields
            :facts="form.salon"
            @change="form.salon = $event"
            @moved="form = movedTo(form, $event)"
          />
          <HoursRows :hours="form.hours" @change="form.hours = $event" />
          <ClosedDays :days="form.closedDays" @change="form.closedDays = $event" />
        </div>
        <RoomsPart
          v-else-if="part.key === 'rooms'"
          v-model:form="form"
          :devices="kinds?.devices ?? []"
        />
        <template v-else-if="part.key === 'scope'">
          <p class="mb-3 text-soft max-w-[70ch]">
            Whether you may do these, local law and your licence decide. What is not ticked the
            product leaves out or hands to somebody else.
          </p>
          <p v-if="!form.you.performs">Nobody performs yet: invite your people in Settings.</p>
          <ScopeRows v-else :scope="form.scope" @change="form.scope = $event" />
        </template>
        <BeginPart v-else v-model:form="form" :cards="kinds?.cards ?? []" />
        <button v-if="after(part.key)" type="button" class="rung mt-5" @click="goOn">Next</button>
      </PartRung>
    </ol>
    <div class="sticky bottom-0 pl-16 py-3 flex items-center gap-5 bg-ground border-t border-line">
      <button
        type="submit"
        class="rung rung-strong !min-h-[56px] px-8 text-lg"
        :disabled="busy"
        v-off="missing"
      >
        Open my salon
      </button>
      <p v-if="trouble" role="alert" class="text-mind font-medium">{{ trouble }}</p>
      <p v-else-if="missing" class="text-soft">{{ missing }}</p>
    </div>
  </form>
</template>
