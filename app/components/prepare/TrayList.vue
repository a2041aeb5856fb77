<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import type { FittedPlan, TrayItem } from '#core/adapt'

/** What is laid out, step by step in the order of use; a touch says that it lies there. */
const props = defineProps<{
  plan: FittedPlan
  ticked: ReadonlySet<string>
  /** When a towel leaves the warmer, by its item. */
  towelOut: (itemId: string) => string | undefined
  disabled: boolean
}>()
const emit = defineEmits<{ tick: [itemId: string, out: boolean] }>()
const { said } = useMeasures()
const groups = computed(() =>
  props.plan.steps
    .map((step) => ({
      step,
      items: props.plan.tray.filter((item) => item.stepId === step.id),
      gate: props.plan.open.find(({ stepIds }) => stepIds.includes(step.id))?.words,
    }))
    .filter(({ items }) => items.length > 0),
)
const nameOf = ({ count, name }: TrayItem) => (count > 1 ? `${count} ${name}` : name)
function noteOf({ id, note }: TrayItem) {
  const out = props.towelOut(id)
  return said(out === undefined ? (note ?? '') : `${note}: out at ${out}`)
}
</script>

<template>
  <div class="columns-2 gap-8 pt-2">
    <div
      v-for="group in groups"
      :key="group.step.id"
      role="group"
      class="break-inside-avoid pb-2"
      :aria-label="group.step.title"
    >
      <h3 class="text-sm text-soft pt-2">
        {{ group.step.title
        }}<span v-if="group.items[0]?.perhaps" class="text-now font-semibold">
          · perhaps,
          {{ group.gate }}
        </span>
      </h3>
      <button
        v-for="item in group.items"
        :key="item.id"
        type="button"
        role="checkbox"
        :aria-checked="ticked.has(item.id)"
        :disabled="disabled"
        class="w-full min-h-[44px] flex items-center gap-3 text-left border-b border-hair py-1"
        @click="emit('tick', item.id, !ticked.has(item.id))"
      >
        <span
          class="w-6 h-6 shrink-0 border border-line grid place-items-center"
          :class="ticked.has(item.id) && 'bg-ink text-ground'"
        >
          <Check v-if="ticked.has(item.id)" :size="17" />
        </span>
        <span :class="ticked.has(item.id) && 'text-soft'">
          {{ nameOf(item) }}
          <span v-if="item.note" class="block text-sm text-soft">
            {{ noteOf(item) }}
          </span>
        </span>
      </button>
    </div>
  </div>
</template>
