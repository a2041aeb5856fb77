<script setup lang="ts">
import { ZONE_GROUPS, ZONES, zoneName, zonesInWords, type ZoneId } from '#core/skin'

const props = defineProps<{ zones: readonly ZoneId[]; name: string }>()
const emit = defineEmits<{ change: [zones: ZoneId[]] }>()
const SHOWN_GROUPS = 'face eyes t-zone cheeks forehead nose eye-contour neck'.split(' ')
const GROUPS = ZONE_GROUPS.filter((group) => SHOWN_GROUPS.includes(group.id))
const EXTRA = ['lips', 'decollete', 'ears', 'scalp', 'shoulders', 'arms', 'hands', 'feet'] as const
const all = (group: readonly ZoneId[]) => group.every((zone) => props.zones.includes(zone))
function toggle(group: readonly ZoneId[]) {
  const now = all(group)
    ? props.zones.filter((zone) => !group.includes(zone))
    : ZONES.filter((zone) => props.zones.includes(zone) || group.includes(zone))
  if (now.length > 0) emit('change', [...now])
}
const view = ref<'front' | 'neck'>('front')
const painted = computed(() => new Map(props.zones.map((zone) => [zone, 1] as const)))
const nothing = new Map<ZoneId, number>()
</script>

<template>
  <fieldset>
    <legend class="text-sm text-soft mb-1">
      {{ name }}: <span class="text-ink">{{ zonesInWords(zones) }}</span>
    </legend>
    <div class="flex flex-wrap gap-1.5">
      <button
        v-for="group in GROUPS"
        :key="group.id"
        type="button"
        class="pick !min-h-[34px] !min-w-0 !px-2 text-sm"
        :aria-pressed="all(group.zones)"
        @click="toggle(group.zones)"
      >
        {{ group.name }}
      </button>
      <button
        v-for="zone in EXTRA"
        :key="zone"
        type="button"
        class="pick !min-h-[34px] !min-w-0 !px-2 text-sm"
        :aria-pressed="zones.includes(zone)"
        @click="toggle([zone])"
      >
        {{ zoneName(zone) }}
      </button>
    </div>
    <FoldAway class="mt-1.5">
      <template #summary><span class="text-sm text-link">On the map</span></template>
      <div class="flex gap-1.5 my-1.5">
        <button
          type="button"
          class="pick !min-h-[34px] text-sm"
          :aria-pressed="view === 'front'"
          @click="view = 'front'"
        >
          Front
        </button>
        <button
          type="button"
          class="pick !min-h-[34px] text-sm"
          :aria-pressed="view === 'neck'"
          @click="view = 'neck'"
        >
          Neck, décolleté
        </button>
      </div>
      <FaceMap
        :view="view"
        :grades="painted"
        :before="nothing"
        :others="new Map()"
        :lesions="[]"
        painting="chosen"
        mode="choose"
        :disabled="false"
        class="max-h-[260px]"
        @paint="toggle([$event])"
      />
    </FoldAway>
  </fieldset>
</template>
