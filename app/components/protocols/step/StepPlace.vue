<script setup lang="ts">
import { ADMITS, LEVER_WORDS, LEVERS, type Step } from '#core/protocol'
import { setField } from '~/ladder/edit'
import { withFloating, withLever } from '~/ladder/step-fields'
import { asOptions, orNone, upTo } from '~/support/options'

type Needs = NonNullable<Step['floating']>['needs']
const props = defineProps<{ step: Step }>()
const emit = defineEmits<{ change: [step: Step] }>()
const put = (more: Partial<Step>) => emit('change', { ...props.step, ...more })
const leverOptions = orNone(LEVERS.map((lever) => ({ value: lever, words: LEVER_WORDS[lever] })))
const putNeeds = (needs: Needs) => put({ floating: { ...props.step.floating!, needs } })
const putRung = (rung: string) => put({ lever: { ...props.step.lever!, rung: Number(rung) } })
</script>

<template>
  <div class="grid grid-cols-2 gap-x-3 gap-y-1.5">
    <FieldTick :checked="step.essential" @change="put({ essential: $event })">
      in every visit
    </FieldTick>
    <FieldChoice
      label="worth"
      beside
      small
      :name="`Priority of ${step.title}`"
      :value="String(step.priority)"
      :options="upTo(5, (worth) => `${worth} of 5`)"
      @change="put({ priority: Number($event) })"
    />
    <FieldTick
      class="col-span-2"
      :checked="step.heart ?? false"
      @change="emit('change', setField(step, 'heart', $event || undefined))"
    >
      what the card is for
    </FieldTick>
    <FieldTick
      :checked="step.floating !== undefined"
      @change="emit('change', withFloating(step, $event))"
    >
      hangs in a processing time
    </FieldTick>
    <FieldChoice
      v-if="step.floating"
      label="that admits"
      beside
      small
      :value="step.floating.needs"
      :options="asOptions(ADMITS)"
      @change="putNeeds"
    />
    <FieldChoice
      label="lever"
      beside
      small
      :name="`Lever of ${step.title}`"
      :value="step.lever?.lever ?? ''"
      :options="leverOptions"
      @change="emit('change', withLever(step, $event))"
    />
    <FieldChoice
      v-if="step.lever"
      label="rung"
      beside
      small
      :value="String(step.lever.rung)"
      :options="upTo(5)"
      @change="putRung"
    />
  </div>
</template>
