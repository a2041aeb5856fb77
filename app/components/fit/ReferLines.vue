<script setup lang="ts">
import type { FittedPlan } from '#core/adapt'
import { shortDate } from '~/support/time'

type Referral = FittedPlan['refer'][number]

/** What somebody else should see, apart from everything that only changes the ladder; quiet once the client has been told and is under a physician. */
const props = defineProps<{ refer: FittedPlan['refer'] }>()
const store = useVisitStore()
const loud = computed(() => props.refer.filter(({ told }) => !told))
const quiet = computed(() =>
  props.refer.flatMap((why) => (why.told ? { ...why, told: why.told } : [])),
)
const telling = ref<Referral>()
const by = ref('')
async function keep() {
  const clearance = telling.value!.toldAs!
  telling.value = undefined
  await store.clear({ clearance, by: by.value.trim(), on: store.data!.input.date })
  by.value = ''
}
const { said } = useMeasures()
</script>

<template>
  <section v-if="refer.length > 0" aria-label="To be seen by somebody else">
    <div v-if="loud.length > 0" class="border-l-4 border-mind bg-mind-ground px-4 py-2.5">
      <div v-for="why in loud" :key="why.ruleId + why.because">
        <p>
          <span class="text-mind font-semibold">▲ Refer: {{ why.because }}.</span>
          {{ said(why.instead) }}
          <RuleLink :id="why.ruleId" class="text-sm" />
        </p>
        <button
          v-if="why.toldAs && !store.locked && telling !== why"
          type="button"
          class="pick text-sm mt-1.5"
          @click="telling = why"
        >
          Told, under a physician …
        </button>
      </div>
      <form v-if="telling" class="mt-2 flex items-end gap-2" @submit.prevent="keep">
        <label class="flex-1 flex flex-col gap-1 text-sm">
          Who looks after it
          <input
            v-model="by"
            class="field"
            required
            minlength="2"
            maxlength="120"
            placeholder="name, profession"
          />
        </label>
        <button type="submit" class="rung rung-strong !px-3">Keep</button>
        <button type="button" class="rung !px-3" @click="telling = undefined">Cancel</button>
      </form>
    </div>
    <p v-for="why in quiet" :key="why.ruleId + why.because" class="text-sm text-soft mt-1">
      ▲ {{ why.because }}: told on {{ shortDate(why.told.on) }}, under {{ why.told.by }}
      <RuleLink :id="why.ruleId" />
    </p>
  </section>
</template>
