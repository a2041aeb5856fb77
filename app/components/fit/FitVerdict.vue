<script setup lang="ts">
import { heartStands, type FittedPlan } from '#core/adapt'
import { causeWords } from '~/support/fit/consequences'
import { wrongWith } from '~/support/fit/held-back'

/** What the ladder that came out is not: said before anything else, with what can be done about it. */
const props = defineProps<{ plan: FittedPlan; disabled: boolean }>()
const emit = defineEmits<{ others: [] }>()
const thinned = computed(() => props.plan.heart && !heartStands(props.plan.heart))
const { facts } = useAskedGroups()
const { said } = useMeasures()
const lines = computed(() => wrongWith(props.plan, facts.value))
/** Why each part of the heart is gone, by the change that took it. */
const whys = computed(() =>
  (props.plan.heart?.lost ?? []).flatMap(({ stepId }) => {
    const change = props.plan.changes.find(
      (other) => other.kind === 'dropped' && other.stepId === stepId,
    )
    const why = change?.why[0]
    return why ? [`${causeWords(why)}. ${said(why.instead)}`] : []
  }),
)
</script>

<template>
  <section
    v-if="lines.length > 0"
    role="alert"
    aria-label="What is wrong with this ladder"
    class="border-l-4 border-mind bg-mind-ground px-4 py-3"
  >
    <p v-for="line in lines" :key="line" class="font-semibold text-mind">{{ line }}</p>
    <p v-for="line in whys" :key="line" class="text-sm mt-1">{{ line }}</p>
    <div v-if="!disabled" class="flex flex-wrap items-center gap-3 mt-2">
      <button type="button" class="rung" @click="emit('others')">Other cards today</button>
      <p class="text-sm text-soft">
        {{ thinned ? 'Or book this one for another day.' : 'Or give it more time, under Time.' }}
      </p>
    </div>
  </section>
</template>
