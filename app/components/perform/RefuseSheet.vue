<script setup lang="ts">
import { refusable, type Refusable, type RunBody } from '#core/perform'

/** "Not this one": which product, why, and what stands in, before anything is said. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{
  close: []
  take: [said: Extract<RunBody, { type: 'refused' }>]
}>()
const REASONS = ['Smell', 'How it feels', 'Does not want it'] as const
/** More are a list to read, not to touch with gloves on; what comes later is refused when it comes nearer. */
const SHOWN_MOST = 6
const { store, live, plan, titleOf, productOf } = useRunning()
const { tryOut, forget, shown, whyNotTake, takeWords } = useFitPreview()
const chosen = ref<Refusable>()
const why = ref<(typeof REASONS)[number]>('Does not want it')
const products = ref<readonly Refusable[]>([])
const nameOf = ({ stepId }: Refusable) => productOf(stepId)?.name ?? titleOf(stepId)
const said = computed(() => {
  if (!chosen.value) return undefined
  const { stepId, productId } = chosen.value
  return { type: 'refused' as const, stepId, productId, why: why.value }
})
// The list stands still while it is read; it is that of the moment at which the sheet was opened.
watch(
  () => props.open,
  (isOpen) => {
    if (!isOpen) return
    forget()
    why.value = 'Does not want it'
    const coming = live.value ? refusable(live.value, store.state!, plan.value!.steps) : []
    products.value = coming.slice(0, SHOWN_MOST)
    chosen.value = undefined
    if (products.value[0]) choose(products.value[0])
  },
)
function choose(product: Refusable) {
  chosen.value = product
  void tryOut([said.value!])
}
</script>

<template>
  <PlainDialog :open="open" wide title="Not this one" @close="emit('close')">
    <p v-if="products.length === 0" class="text-lg">
      No product is to come any more. What lies on the skin is taken off: say what is felt.
    </p>
    <template v-else>
      <div
        class="grid grid-cols-2 sm:grid-cols-3 gap-2"
        role="radiogroup"
        aria-label="Which product"
      >
        <button
          v-for="product in products"
          :key="product.stepId"
          type="button"
          role="radio"
          class="pick !min-h-[64px] !h-auto py-1.5 text-left leading-tight"
          :aria-checked="chosen === product"
          @click="choose(product)"
        >
          <span class="block text-lg">{{ nameOf(product) }}</span>
          <span class="block text-sm opacity-75">
            {{ product.stepIds.map(titleOf).join(', ') }}
          </span>
        </button>
      </div>
      <div class="mt-3 flex flex-wrap gap-2" role="radiogroup" aria-label="Why">
        <button
          v-for="one in REASONS"
          :key="one"
          type="button"
          role="radio"
          class="pick !min-h-[64px] flex-1"
          :aria-checked="why === one"
          @click="why = one"
        >
          {{ one }}
        </button>
      </div>
      <FitPreview class="mt-4" :shown="shown" name="What changes" none="Nothing else changes." />
    </template>
    <p class="mt-3 text-soft">
      Kept with the client: it falls out of every choice until somebody says otherwise.
    </p>
    <TakeRow
      :words="takeWords"
      :why-not="whyNotTake"
      @take="said && emit('take', said)"
      @close="emit('close')"
    />
  </PlainDialog>
</template>
