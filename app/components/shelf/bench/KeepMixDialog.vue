<script setup lang="ts">
import { CONSISTENCIES, PRODUCT_KINDS } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { PHASES } from '#core/protocol'
import { asOptions } from '~/support/options'
import type { OwnRules } from '~/support/shelf/bench'

/** What belongs to a house mix and not to its base, asked when it is kept. */
type Written = { -readonly [K in keyof OwnRules]: OwnRules[K] }
defineProps<{ open: boolean; trouble: string }>()
const emit = defineEmits<{ close: []; save: [own: OwnRules] }>()
const own = ref<Written>({
  name: '',
  kind: 'mask',
  concern: 'calm',
  phase: 'mask',
  dwellMin: 10,
  restS: 0,
  standAlone: false,
  drying: false,
  consistency: 'smooth',
})
</script>

<template>
  <PlainDialog :open="open" title="Keep as a house mix" wide @close="emit('close')">
    <form class="flex flex-col gap-4" @submit.prevent="emit('save', own)">
      <label class="flex flex-col gap-1">
        Name
        <input v-model="own.name" class="field" required minlength="2" maxlength="120" />
      </label>
      <div class="grid grid-cols-3 gap-3">
        <FieldChoice
          label="Kind"
          :value="own.kind"
          :options="asOptions(PRODUCT_KINDS)"
          @change="own.kind = $event"
        />
        <FieldChoice
          label="For"
          :value="own.concern"
          :options="asOptions(CONCERNS)"
          @change="own.concern = $event"
        />
        <FieldChoice
          label="Phase"
          :value="own.phase"
          :options="asOptions(PHASES)"
          @change="own.phase = $event"
        />
        <label class="flex flex-col gap-1 text-sm text-soft">
          Stays on, min
          <input
            v-model.number="own.dwellMin"
            type="number"
            min="0"
            max="60"
            class="field !text-ink"
          />
        </label>
        <label class="flex flex-col gap-1 text-sm text-soft">
          Rests first, s
          <input
            v-model.number="own.restS"
            type="number"
            min="0"
            max="1800"
            class="field !text-ink"
          />
        </label>
        <FieldChoice
          label="Consistency"
          :value="own.consistency"
          :options="asOptions(CONSISTENCIES)"
          @change="own.consistency = $event"
        />
      </div>
      <div class="flex gap-6">
        <FieldTick :checked="own.standAlone" @change="own.standAlone = $event">
          stands alone, nothing over it
        </FieldTick>
        <FieldTick :checked="own.drying" @change="own.drying = $event">
          drying: short on surface-dry skin
        </FieldTick>
      </div>
      <p class="text-sm text-soft">
        These belong to the mix, whatever its base says. Ingredients, actives, stock and price
        follow from the parts.
      </p>
      <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
      <div class="flex justify-end gap-3">
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button type="submit" class="rung rung-strong">Keep it</button>
      </div>
    </form>
  </PlainDialog>
</template>
