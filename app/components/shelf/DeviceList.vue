<script setup lang="ts">
import type { Device, Supply } from '#core/catalog'
import { PROPERTIES, propertyWords } from '#core/protocol'
import { READ_ZONES, zoneName, type ZoneId } from '#core/skin'
import { call } from '~/support/api'
import { idFrom } from '~/support/shelf/shelf'
import { takeNumber, textOf as text } from '~/support/typed'

const props = defineProps<{
  devices: readonly Device[]
  supplies: readonly Supply[]
  disabled: boolean
}>()
const { things, trouble, state, put: putThing } = useThings<Device>(() => props.devices)
const send = (device: Device) =>
  putThing(device, () => call(`/api/shelf/devices/${device.id}`, { method: 'PUT', body: device }))
const chosen = ref(props.devices[0]?.id ?? '')
const draft = ref<Device>()
const device = computed(() => draft.value ?? things.value.find((one) => one.id === chosen.value))
const take = (
  event: Event,
  words: string,
  use: (value: number | undefined) => void,
  most = 100_000,
) =>
  takeNumber(
    event,
    words,
    (says) => {
      trouble.value = says
    },
    use,
    0,
    most,
  )
const listIn = (event: Event) =>
  text(event)
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
function begin() {
  const id = idFrom('new device', new Set(things.value.map((one) => one.id)))
  draft.value = { id, name: '', properties: ['device'], expected: [], setup: [], setting: '' }
}
function put(more: Partial<Device>) {
  const next = Object.fromEntries(
    Object.entries({ ...device.value!, ...more }).filter(([, value]) => value !== undefined),
  ) as Device
  if (draft.value) draft.value = next
  if (next.name.trim() === '') return
  const id = draft.value ? idFrom(next.name, new Set(things.value.map((one) => one.id))) : next.id
  draft.value = undefined
  chosen.value = id
  void send({ ...next, id })
}
const levels = () => device.value!.levels ?? { from: 1, to: 10, start: 1, unit: 'level' }
const level = (key: 'from' | 'to' | 'start', event: Event) =>
  take(event, LEVEL_WORDS[key], (value) => {
    if (value !== undefined) put({ levels: { ...levels(), [key]: value } })
  })
const LEVEL_WORDS = { from: 'Lowest', start: 'Starts at', to: 'Highest' } as const
const order = (zones: ZoneId[]) => put({ zoneOrder: zones.length > 0 ? zones : undefined })
const consumable = (id: string, count: number) =>
  put({
    consumables: [
      ...(device.value!.consumables ?? []).filter((one) => one.supplyId !== id),
      ...(count > 0 ? [{ supplyId: id, count }] : []),
    ],
  })
function choose(id: string) {
  draft.value = undefined
  chosen.value = id
}
function addZone(event: Event) {
  order([...(device.value!.zoneOrder ?? []), text(event) as ZoneId])
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <div class="grid grid-cols-[20rem_minmax(0,1fr)] gap-9 flex-1 min-h-0">
    <div class="overflow-y-auto pr-1">
      <ul class="border-t border-line" aria-label="Devices">
        <li v-for="one in things" :key="one.id" class="border-b border-hair">
          <button
            type="button"
            class="w-full text-left px-2 py-2.5 min-h-[48px]"
            :class="
              !draft && one.id === chosen
                ? 'bg-now-ground border-l-4 border-now font-semibold'
                : 'hover:bg-sunk'
            "
            @click="choose(one.id)"
          >
            {{ one.name }}
            <span class="block text-sm text-soft font-normal">{{
              one.properties
                .filter((property) => property !== 'device')
                .slice(0, 3)
                .map(propertyWords)
                .join(' · ')
            }}</span>
          </button>
        </li>
      </ul>
      <button v-if="!disabled" type="button" class="rung mt-3" @click="begin">New device</button>
    </div>
    <div v-if="device" class="overflow-y-auto pr-2 flex flex-col gap-4">
      <p v-if="trouble" role="alert" class="px-4 py-2 bg-mind-ground border-l-4 border-mind">{{
        trouble
      }}</p>
      <fieldset :disabled="disabled" class="flex flex-col gap-4">
        <div class="flex items-end gap-3">
          <label class="flex flex-col gap-1 text-sm text-soft flex-1">
            Name
            <input
              class="field !text-ink text-lg"
              v-shown="device.name"
              maxlength="120"
              @change="put({ name: text($event).trim() })"
            />
          </label>
          <p class="text-sm text-soft min-w-20 pb-3" role="status">{{ state }}</p>
        </div>
        <div class="grid grid-cols-4 gap-3">
          <label
            v-for="key in ['from', 'start', 'to'] as const"
            :key="key"
            class="flex flex-col gap-1 text-sm text-soft"
          >
            {{ LEVEL_WORDS[key] }}
            <input
              class="field !text-ink"
              inputmode="decimal"
              v-shown="device.levels?.[key] ?? ''"
              @change="level(key, $event)"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Counted in
            <input
              class="field !text-ink"
              v-shown="device.levels?.unit ?? ''"
              placeholder="level, %, W"
              maxlength="20"
              @change="put({ levels: { ...levels(), unit: text($event) } })"
            />
          </label>
        </div>
        <svg
          v-if="device.levels"
          viewBox="0 0 600 34"
          class="w-full max-w-[40rem]"
          role="img"
          :aria-label="`From ${device.levels.from} to ${device.levels.to}, starting at ${device.levels.start} ${device.levels.unit}`"
        >
          <line x1="6" x2="594" y1="14" y2="14" stroke="var(--line)" stroke-width="2" />
          <rect
            x="6"
            y="10"
            :width="
              (588 * (device.levels.start - device.levels.from)) /
              Math.max(0.001, device.levels.to - device.levels.from)
            "
            height="8"
            fill="var(--hands)"
          />
          <text x="6" y="32" font-size="12" fill="var(--ink-soft)">{{ device.levels.from }}</text>
          <text x="594" y="32" font-size="12" text-anchor="end" fill="var(--ink-soft)">
            {{ device.levels.to }} {{ device.levels.unit }}
          </text>
        </svg>
        <div class="grid grid-cols-2 gap-3">
          <label class="flex flex-col gap-1 text-sm text-soft">
            Setting, in words
            <input
              class="field !text-ink"
              v-shown="device.setting"
              maxlength="160"
              @change="put({ setting: text($event) })"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Energy, as its maker says
            <input
              class="field !text-ink"
              v-shown="device.energy ?? ''"
              maxlength="160"
              @change="put({ energy: text($event) || undefined })"
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Most minutes on one zone
            <input
              class="field !text-ink"
              inputmode="decimal"
              v-shown="device.maxMinutes ?? ''"
              @change="
                take(
                  $event,
                  'Most minutes',
                  (value) => put({ maxMinutes: value || undefined }),
                  240,
                )
              "
            />
          </label>
          <label class="flex flex-col gap-1 text-sm text-soft">
            Set-up card, with commas
            <input
              class="field !text-ink"
              v-shown="device.setup.join(', ')"
              @change="put({ setup: listIn($event) })"
            />
          </label>
        </div>
        <FoldAway>
          <template #summary>
            <span class="min-h-[40px] inline-flex items-center font-semibold">
              Zone order
              <span class="ml-2 text-soft font-normal">{{
                device.zoneOrder?.map(zoneName).join(' → ') || 'none given'
              }}</span>
            </span>
          </template>
          <div class="flex flex-wrap items-center gap-2">
            <span
              v-for="(zone, at) in device.zoneOrder ?? []"
              :key="at"
              class="border border-line px-3 min-h-[40px] inline-flex items-center gap-2"
            >
              {{ at + 1 }} {{ zoneName(zone) }}
              <button
                type="button"
                class="min-w-[32px] min-h-[32px]"
                :aria-label="`Take ${zoneName(zone)} out`"
                @click="order(device.zoneOrder!.filter((_, index) => index !== at))"
              >
                ×
              </button>
            </span>
            <select class="field" aria-label="Next zone" value="" @change="addZone">
              <option value="">then …</option>
              <option v-for="zone in READ_ZONES" :key="zone" :value="zone">{{
                zoneName(zone)
              }}</option>
            </select>
          </div>
        </FoldAway>
        <FoldAway>
          <template #summary>
            <span class="min-h-[40px] inline-flex items-center font-semibold">
              What it does
              <span class="ml-2 text-soft font-normal">{{
                device.properties
                  .filter((one) => one !== 'device')
                  .map(propertyWords)
                  .join(', ') || 'nothing marked'
              }}</span>
            </span>
          </template>
          <div class="flex flex-wrap gap-1.5">
            <button
              v-for="one in PROPERTIES"
              :key="one"
              type="button"
              class="pick !min-h-[36px] text-sm"
              :aria-pressed="device.properties.includes(one)"
              @click="
                put({
                  properties: device.properties.includes(one)
                    ? device.properties.filter((other) => other !== one)
                    : [...device.properties, one],
                })
              "
            >
              {{ propertyWords(one) }}
            </button>
          </div>
        </FoldAway>
        <div>
          <h2 class="text-lg mb-1">Used up at each visit</h2>
          <div class="flex flex-wrap gap-x-6 gap-y-2">
            <label
              v-for="supply in supplies.filter((one) => one.kind === 'single use')"
              :key="supply.id"
              class="flex items-center gap-2"
            >
              <input
                type="number"
                min="0"
                max="20"
                class="field !min-h-[38px] w-16 !px-2"
                v-shown="device.consumables?.find((one) => one.supplyId === supply.id)?.count ?? 0"
                @change="
                  take($event, supply.name, (value) => consumable(supply.id, value ?? 0), 20)
                "
              />
              {{ supply.name }}
            </label>
          </div>
        </div>
      </fieldset>
    </div>
  </div>
</template>
