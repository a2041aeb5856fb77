<script setup lang="ts">
import { DEPTH_MM, tapped, type RunBody } from '#core/perform'
import { textOf } from '~/support/typed'

/** What the skin is opened with, before it may begin: the lot of the sterile cartridge, and how deep it goes. */
const props = defineProps<{ stepId: string | undefined }>()
const emit = defineEmits<{ close: []; opened: [said: RunBody[]] }>()
const { titleOf } = useRunning()
const { level, value, setTo } = useDeviceLevel(() => props.stepId ?? '')
const lot = ref('')
/** Nobody has said it on this card: it is asked, never guessed. */
const depth = ref<number>()
watch(
  () => props.stepId,
  () => {
    lot.value = ''
    depth.value = level.value?.unit === 'mm' ? value.value : undefined
  },
)
const isDeepest = computed(() => level.value !== undefined && depth.value === level.value.most)
const missing = computed(() => {
  if (lot.value.trim() === '') return 'Its lot stands on the package of the cartridge.'
  return depth.value === undefined ? 'How deep it goes stands on the handpiece.' : ''
})
function change(way: 'lower' | 'higher') {
  if (level.value && depth.value !== undefined) depth.value = tapped(level.value, depth.value, way)
}
function typed(event: Event) {
  const mm = Number(textOf(event).replace(',', '.'))
  depth.value = mm >= DEPTH_MM.least && mm <= DEPTH_MM.most ? mm : undefined
}
function keep() {
  if (missing.value || !props.stepId) return
  emit('opened', [
    { type: 'cartridge', stepId: props.stepId, lot: lot.value.trim(), depthMm: depth.value! },
    // Shallower than fitted is a level that was set.
    ...(level.value && depth.value !== value.value ? [setTo(depth.value!, 'asked for')] : []),
  ])
}
</script>

<template>
  <PlainDialog
    :open="stepId !== undefined"
    wide
    title="Before it opens the skin"
    @close="emit('close')"
  >
    <form class="flex flex-col gap-5" @submit.prevent="keep">
      <p class="text-lg">{{ titleOf(stepId ?? '') }}: a new sterile cartridge, for this client.</p>
      <label class="flex flex-col gap-1 text-lg">
        Lot of the cartridge
        <input
          v-model="lot"
          class="field !min-h-[64px] text-2xl"
          maxlength="60"
          autocomplete="off"
          required
        />
      </label>
      <div v-if="level?.unit === 'mm' && depth !== undefined">
        <p class="text-lg">Depth</p>
        <div class="flex items-center gap-4">
          <button
            type="button"
            class="rung !min-h-[64px] w-20 text-3xl"
            aria-label="Shallower"
            v-off="depth <= level.least && 'The handpiece goes no shallower.'"
            @click="change('lower')"
          >
            −
          </button>
          <p class="text-center min-w-[8rem]" aria-live="polite">
            <span class="display text-4xl tabular-nums">{{ depth }}</span>
            <span class="text-lg text-soft"> mm</span>
          </p>
          <button
            v-if="!isDeepest"
            type="button"
            class="rung !min-h-[64px] w-20 text-3xl"
            aria-label="Deeper"
            @click="change('higher')"
          >
            +
          </button>
          <p class="text-base text-soft flex-1">
            {{
              isDeepest
                ? 'As fitted. No deeper: deeper is another treatment.'
                : 'Shallower than fitted.'
            }}
          </p>
        </div>
      </div>
      <label v-else class="flex flex-col gap-1 text-lg">
        Depth, mm
        <input class="field !min-h-[64px] text-2xl" inputmode="decimal" required @input="typed" />
      </label>
      <p v-if="missing" class="text-base text-now">{{ missing }}</p>
      <div class="grid grid-cols-2 gap-3">
        <button type="button" class="rung !min-h-[64px] text-lg" @click="emit('close')">
          Not yet
        </button>
        <button type="submit" class="rung rung-strong !min-h-[64px] text-lg" v-off="missing">
          Keep it: begin
        </button>
      </div>
    </form>
  </PlainDialog>
</template>
