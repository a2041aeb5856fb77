<script setup lang="ts">
import { productsFor, setProduct, type Shelf } from '#core/catalog'
import { CONCERNS } from '#core/client'
import { ADMITS, LEVER_WORDS, LEVERS, PASS_PATTERNS, PHASES, type Step } from '#core/protocol'
import { setField, setMovements } from '~/ladder/edit'
import { textOf as text } from '~/support/typed'

const props = defineProps<{ step: Step; steps: readonly Step[]; shelf: Shelf }>()
const emit = defineEmits<{ change: [step: Step] }>()
const put = (more: Partial<Step>) => emit('change', { ...props.step, ...more })
const set = <K extends keyof Step>(key: K, value: Step[K] | undefined) =>
  emit('change', setField(props.step, key, value))
const products = computed(() => productsFor(props.step, props.shelf.products))
const others = computed(() => props.steps.filter((step) => step.id !== props.step.id))
const device = computed(() => props.shelf.devices.find((one) => one.id === props.step.deviceId))
const isDwelling = computed(() => props.step.segments.some((part) => part.kind === 'dwell'))
function product(id: string) {
  if (id === '') return set('product', undefined)
  const pick = products.value.find((one) => one.pick.productId === id)?.pick
  if (pick)
    emit(
      'change',
      props.step.deviceId
        ? { ...props.step, product: pick }
        : setProduct(props.step, pick, props.shelf.products),
    )
}
const levers = (lever: string) =>
  set(
    'lever',
    lever === '' ? undefined : { lever: lever as 'acid', rung: props.step.lever?.rung ?? 2 },
  )
/** The card's own pick comes first, with a second one to begin with. */
function choose(on: boolean) {
  const [first, second] = products.value
  if (!on || !first || !second) return set('choice', undefined)
  const own = props.step.product ?? first.pick
  const other = products.value.find((one) => one.pick.productId !== own.productId)!.pick
  set('choice', {
    several: false,
    options: [
      { concern: 'calm', pick: own },
      { concern: 'clarify', pick: other },
    ],
  })
}
const option = (at: number, more: object) =>
  put({
    choice: {
      ...props.step.choice!,
      options: props.step.choice!.options.map((one, index) =>
        index === at ? { ...one, ...more } : one,
      ),
    },
  })
const addOption = () =>
  put({
    choice: {
      ...props.step.choice!,
      options: [
        ...props.step.choice!.options,
        { concern: 'hydrate', pick: products.value[0]!.pick },
      ],
    },
  })
const dropOption = (at: number) => {
  const options = props.step.choice!.options.filter((_, index) => index !== at)
  set('choice', options.length < 2 ? undefined : { ...props.step.choice!, options })
}
function when(key: 'time' | 'visit' | 'goal', value: string) {
  const { [key]: _, ...rest } = props.step.when ?? {}
  const now = value === '' ? rest : { ...rest, [key]: value }
  set('when', Object.keys(now).length > 0 ? now : undefined)
}
function shorter() {
  const variants = props.step.variants ?? []
  put({
    variants: [
      ...variants,
      {
        id: `v${variants.length + 1}`,
        title: `${props.step.title}, short`,
        worth: 0.8,
        segments: props.step.segments.map((part) => ({ ...part, usualS: part.minS })),
      },
    ],
  })
}
const numberOf = (event: Event) => Number(text(event))
</script>

<template>
  <div class="flex flex-col gap-3">
    <label class="flex flex-col gap-1 text-sm text-soft">
      Name
      <input
        id="step-title"
        class="field text-base !text-ink"
        v-shown="step.title"
        maxlength="120"
        @change="text($event).trim() && put({ title: text($event).trim() })"
      />
    </label>
    <div class="grid grid-cols-2 gap-2">
      <label class="flex flex-col gap-1 text-sm text-soft">
        Phase
        <select
          class="field !text-ink"
          :value="step.phase"
          @change="put({ phase: text($event) as Step['phase'] })"
        >
          <option v-for="phase in PHASES" :key="phase" :value="phase">{{
            phase.replaceAll('-', ' ')
          }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft">
        For
        <select
          class="field !text-ink"
          :value="step.concern ?? ''"
          @change="set('concern', (text($event) || undefined) as Step['concern'])"
        >
          <option value="">everybody</option>
          <option v-for="concern in CONCERNS" :key="concern">{{ concern }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft col-span-2">
        Product
        <select
          class="field !text-ink w-full"
          :value="step.product?.productId ?? ''"
          :aria-label="`Product of ${step.title}`"
          @change="product(text($event))"
        >
          <option value="">none</option>
          <option v-for="one in products" :key="one.pick.productId" :value="one.pick.productId">{{
            one.name
          }}</option>
        </select>
      </label>
      <label class="flex flex-col gap-1 text-sm text-soft col-span-2">
        Device
        <select
          class="field !text-ink w-full"
          :value="step.deviceId ?? ''"
          @change="set('deviceId', text($event) || undefined)"
        >
          <option value="">none</option>
          <option v-for="one in shelf.devices" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
      </label>
      <p v-if="device" class="col-span-2 text-sm text-soft">
        Set-up: {{ [...device.setup, device.setting].join(' · ')
        }}{{ device.maxMinutes ? ` · at most ${device.maxMinutes} min on one zone` : '' }}
      </p>
    </div>
    <section>
      <h2 class="text-sm text-soft mb-1 !font-sans">Minutes</h2>
      <PartRows :step="step" @change="emit('change', $event)" />
    </section>
    <FoldAway :open="(step.movements?.length ?? 0) > 0">
      <template #summary>
        <span class="font-semibold min-h-[36px] inline-flex items-center">
          Movements
          <span class="text-soft font-normal ml-2">{{
            step.movements?.length ? `${step.movements.length}, the minutes are their sum` : 'none'
          }}</span>
        </span>
      </template>
      <MovementRows
        :movements="step.movements ?? []"
        @change="emit('change', setMovements(step, $event))"
      />
    </FoldAway>
    <ZonePicker :zones="step.zones" name="Zones" @change="put({ zones: $event })" />
    <div class="grid grid-cols-2 gap-x-3 gap-y-1.5">
      <label class="flex items-center gap-2 min-h-[36px]">
        <input
          type="checkbox"
          :checked="step.essential"
          @change="put({ essential: ($event.target as HTMLInputElement).checked })"
        />
        in every visit
      </label>
      <label class="flex items-center gap-2">
        worth
        <select
          class="field !min-h-[36px] !px-2"
          :value="step.priority"
          :aria-label="`Priority of ${step.title}`"
          @change="put({ priority: numberOf($event) })"
        >
          <option v-for="n in 5" :key="n" :value="n">{{ n }} of 5</option>
        </select>
      </label>
      <label class="flex items-center gap-2 min-h-[36px]">
        <input
          type="checkbox"
          :checked="step.floating !== undefined"
          @change="
            set(
              'floating',
              ($event.target as HTMLInputElement).checked ? { needs: 'quiet' } : undefined,
            )
          "
        />
        hangs under a dwell
      </label>
      <label v-if="step.floating" class="flex items-center gap-2">
        that admits
        <select
          class="field !min-h-[36px] !px-2"
          :value="step.floating.needs"
          @change="set('floating', { ...step.floating, needs: text($event) as 'quiet' })"
        >
          <option v-for="admit in ADMITS" :key="admit">{{ admit }}</option>
        </select>
      </label>
      <label class="flex items-center gap-2">
        lever
        <select
          class="field !min-h-[36px] !px-2"
          :value="step.lever?.lever ?? ''"
          :aria-label="`Lever of ${step.title}`"
          @change="levers(text($event))"
        >
          <option value="">none</option>
          <option v-for="lever in LEVERS" :key="lever" :value="lever">{{
            LEVER_WORDS[lever]
          }}</option>
        </select>
      </label>
      <label v-if="step.lever" class="flex items-center gap-2">
        rung
        <select
          class="field !min-h-[36px] !px-2"
          :value="step.lever.rung"
          @change="put({ lever: { ...step.lever!, rung: numberOf($event) } })"
        >
          <option v-for="n in 5" :key="n">{{ n }}</option>
        </select>
      </label>
    </div>
    <FoldAway :open="step.choice !== undefined">
      <template #summary>
        <span class="font-semibold min-h-[36px] inline-flex items-center">
          Choice by what is wanted
          <span class="text-soft font-normal ml-2">{{
            step.choice ? `${step.choice.options.length} picks` : 'one product'
          }}</span>
        </span>
      </template>
      <label class="flex items-center gap-2 min-h-[36px]">
        <input
          type="checkbox"
          :checked="step.choice !== undefined"
          :disabled="products.length < 2"
          @change="choose(($event.target as HTMLInputElement).checked)"
        />
        the client’s goals decide
      </label>
      <template v-if="step.choice">
        <label class="flex items-center gap-2 min-h-[36px]">
          <input
            type="checkbox"
            :checked="step.choice.several"
            @change="
              put({
                choice: { ...step.choice!, several: ($event.target as HTMLInputElement).checked },
              })
            "
          />
          several at once, each on its own zones
        </label>
        <div v-for="(one, at) in step.choice.options" :key="at" class="border-t border-hair py-1.5">
          <div class="flex gap-1.5">
            <select
              class="field !min-h-[36px] !px-2"
              :value="one.concern"
              :aria-label="`Concern of pick ${at + 1}`"
              @change="option(at, { concern: text($event) })"
            >
              <option v-for="concern in CONCERNS" :key="concern">{{ concern }}</option>
            </select>
            <select
              class="field !min-h-[36px] !px-2 flex-1 min-w-0"
              :value="one.pick.productId"
              :aria-label="`Product of pick ${at + 1}`"
              @change="
                option(at, {
                  pick:
                    products.find((found) => found.pick.productId === text($event))?.pick ??
                    one.pick,
                })
              "
            >
              <option
                v-for="found in products"
                :key="found.pick.productId"
                :value="found.pick.productId"
              >
                {{ found.name }}
              </option>
            </select>
            <button
              type="button"
              class="pick !min-h-[36px] !px-2"
              :aria-label="`Take pick ${at + 1} out`"
              @click="dropOption(at)"
            >
              ✕
            </button>
          </div>
          <ZonePicker
            v-if="step.choice.several"
            :zones="one.zones ?? step.zones"
            name="On"
            class="mt-1"
            @change="option(at, { zones: $event })"
          />
        </div>
        <button
          v-if="step.choice.options.length < 8"
          type="button"
          class="pick !min-h-[36px] text-sm"
          @click="addOption"
        >
          Another pick
        </button>
      </template>
    </FoldAway>
    <FoldAway
      :open="
        step.when !== undefined ||
        step.group !== undefined ||
        step.closes !== undefined ||
        step.within !== undefined
      "
    >
      <template #summary>
        <span class="font-semibold min-h-[36px] inline-flex items-center">
          Conditions
          <span class="text-soft font-normal ml-2">{{
            step.when || step.onlyIf ? 'only sometimes' : 'always'
          }}</span>
        </span>
      </template>
      <div class="grid grid-cols-3 gap-2">
        <label
          v-for="(words, key) in {
            time: ['any time', 'day', 'evening'],
            visit: ['any visit', 'first', 'later'],
            goal: ['any goal', ...CONCERNS],
          }"
          :key="key"
          class="flex flex-col gap-1 text-sm text-soft"
        >
          {{ key }}
          <select
            class="field !min-h-[36px] !px-2 !text-ink"
            :value="step.when?.[key] ?? ''"
            @change="when(key, text($event))"
          >
            <option v-for="(word, at) in words" :key="word" :value="at === 0 ? '' : word">{{
              word
            }}</option>
          </select>
        </label>
      </div>
      <div class="grid grid-cols-2 gap-2 mt-2">
        <label class="flex flex-col gap-1 text-sm text-soft">
          comes and goes with
          <select
            class="field !min-h-[36px] !px-2 !text-ink"
            :value="step.closes ?? ''"
            @change="set('closes', text($event) || undefined)"
          >
            <option value="">nothing</option>
            <option v-for="one in others" :key="one.id" :value="one.id">{{ one.title }}</option>
          </select>
        </label>
        <label class="flex flex-col gap-1 text-sm text-soft">
          group
          <input
            class="field !min-h-[36px] !px-2 !text-ink"
            maxlength="60"
            v-shown="step.group ?? ''"
            @change="set('group', text($event).trim() || undefined)"
          />
        </label>
        <label class="flex flex-col gap-1 text-sm text-soft">
          begins soon after
          <select
            class="field !min-h-[36px] !px-2 !text-ink"
            :value="step.within?.stepId ?? ''"
            @change="
              set(
                'within',
                text($event)
                  ? { stepId: text($event), seconds: step.within?.seconds ?? 120 }
                  : undefined,
              )
            "
          >
            <option value="">–</option>
            <option v-for="one in others" :key="one.id" :value="one.id">{{ one.title }}</option>
          </select>
        </label>
        <label v-if="step.within" class="flex flex-col gap-1 text-sm text-soft">
          within minutes
          <input
            type="number"
            class="field !min-h-[36px] !px-2 !text-ink"
            min="0"
            max="60"
            step="0.5"
            v-shown="step.within.seconds / 60"
            @change="
              set('within', {
                ...step.within!,
                seconds: Math.max(0, Math.round(numberOf($event) * 60)),
              })
            "
          />
        </label>
        <label class="flex flex-col gap-1 text-sm text-soft">
          at the same time as others called
          <input
            class="field !min-h-[36px] !px-2 !text-ink"
            maxlength="60"
            v-shown="step.beside ?? ''"
            @change="set('beside', text($event).trim() || undefined)"
          />
        </label>
        <label class="flex flex-col gap-1 text-sm text-soft">
          part of its dose, %
          <input
            type="number"
            class="field !min-h-[36px] !px-2 !text-ink"
            min="5"
            max="100"
            step="5"
            v-shown="step.share === undefined ? '' : Math.round(step.share * 100)"
            @change="
              set(
                'share',
                numberOf($event) >= 5 && numberOf($event) < 100
                  ? numberOf($event) / 100
                  : undefined,
              )
            "
          />
        </label>
      </div>
      <div class="flex flex-wrap items-center gap-2 mt-2 text-sm">
        <label class="flex items-center gap-2">
          <input
            type="checkbox"
            :checked="step.repeat !== undefined"
            @change="
              set(
                'repeat',
                ($event.target as HTMLInputElement).checked
                  ? { usual: 2, max: 3, sign: 'it is clean' }
                  : undefined,
              )
            "
          />
          again
        </label>
        <template v-if="step.repeat"
          >usually
          <input
            type="number"
            class="field !min-h-[34px] w-14 !px-1.5"
            min="1"
            max="6"
            v-shown="step.repeat.usual"
            aria-label="Usual repeats"
            @change="
              set('repeat', {
                ...step.repeat!,
                usual: Math.max(1, Math.min(6, numberOf($event) || 1)),
                max: Math.max(step.repeat!.max, numberOf($event) || 1),
              })
            "
          />
          × until
          <input
            class="field !min-h-[34px] flex-1 !px-2"
            maxlength="120"
            v-shown="step.repeat.sign"
            aria-label="Sign that ends the repeats"
            @change="
              text($event).trim() && set('repeat', { ...step.repeat!, sign: text($event).trim() })
            "
          />
        </template>
      </div>
    </FoldAway>
    <FoldAway :open="(step.variants?.length ?? 0) > 0">
      <template #summary>
        <span class="font-semibold min-h-[36px] inline-flex items-center">
          Shorter ways
          <span class="text-soft font-normal ml-2"> {{ step.variants?.length ?? 0 }} of 3</span>
        </span>
      </template>
      <div
        v-for="(variant, at) in step.variants ?? []"
        :key="variant.id"
        class="border-t border-hair py-1.5 flex flex-col gap-1.5"
      >
        <div class="flex gap-1.5">
          <input
            class="field !min-h-[36px] flex-1 !px-2"
            v-shown="variant.title"
            :aria-label="`Name of shorter way ${at + 1}`"
            maxlength="120"
            @change="
              text($event).trim() &&
              put({
                variants: step.variants!.map((one, index) =>
                  index === at ? { ...one, title: text($event).trim() } : one,
                ),
              })
            "
          />
          <label class="flex items-center gap-1 text-sm">
            keeps
            <input
              type="number"
              class="field !min-h-[36px] w-16 !px-1.5"
              min="10"
              max="100"
              step="5"
              v-shown="Math.round(variant.worth * 100)"
              @change="
                put({
                  variants: step.variants!.map((one, index) =>
                    index === at
                      ? { ...one, worth: Math.max(0.1, Math.min(1, numberOf($event) / 100 || 0.8)) }
                      : one,
                  ),
                })
              "
            />
            %
          </label>
          <button
            type="button"
            class="pick !min-h-[36px] !px-2"
            :aria-label="`Take shorter way ${at + 1} out`"
            @click="
              set(
                'variants',
                step.variants!.length > 1
                  ? step.variants!.filter((_, index) => index !== at)
                  : undefined,
              )
            "
          >
            ✕
          </button>
        </div>
        <PartRows
          :step="{ ...step, title: variant.title, segments: variant.segments }"
          @change="
            put({
              variants: step.variants!.map((one, index) =>
                index === at ? { ...one, segments: $event.segments } : one,
              ),
            })
          "
        />
      </div>
      <button
        v-if="(step.variants?.length ?? 0) < 3"
        type="button"
        class="pick !min-h-[36px] text-sm"
        @click="shorter"
      >
        Write a shorter way
      </button>
    </FoldAway>
    <FoldAway :open="step.passes !== undefined">
      <template #summary>
        <span class="font-semibold min-h-[36px] inline-flex items-center">Way of the device</span>
      </template>
      <label class="flex flex-col gap-1 text-sm text-soft">
        Pattern
        <select
          class="field !text-ink"
          :value="step.passes?.pattern ?? ''"
          @change="
            set(
              'passes',
              text($event)
                ? {
                    zones: step.passes?.zones ?? [...step.zones],
                    pattern: text($event) as 'small circles',
                    times: step.passes?.times ?? 1,
                  }
                : undefined,
            )
          "
        >
          <option value="">none</option>
          <option v-for="pattern in PASS_PATTERNS" :key="pattern">{{ pattern }}</option>
        </select>
      </label>
      <template v-if="step.passes">
        <label class="flex items-center gap-2 mt-2 text-sm">
          passes
          <input
            type="number"
            class="field !min-h-[36px] w-16 !px-2"
            min="1"
            max="9"
            v-shown="step.passes.times"
            @change="
              set('passes', {
                ...step.passes!,
                times: Math.max(1, Math.min(9, numberOf($event) || 1)),
              })
            "
          />
          start level
          <input
            class="field !min-h-[36px] flex-1 !px-2"
            maxlength="60"
            v-shown="step.passes.level ?? ''"
            @change="
              set('passes', {
                ...step.passes!,
                ...(text($event).trim() ? { level: text($event).trim() } : {}),
              })
            "
          />
        </label>
        <ZonePicker
          :zones="step.passes.zones"
          name="In this order"
          class="mt-2"
          @change="
            set('passes', {
              ...step.passes!,
              zones: [
                ...step.passes!.zones.filter((zone) => $event.includes(zone)),
                ...$event.filter((zone) => !step.passes!.zones.includes(zone)),
              ],
            })
          "
        />
      </template>
    </FoldAway>
    <label class="flex flex-col gap-1 text-sm text-soft">
      How it is done
      <textarea
        class="field !text-ink py-2"
        rows="2"
        maxlength="300"
        v-shown="step.technique ?? ''"
        @change="set('technique', text($event).trim() || undefined)"
      />
    </label>
    <label class="flex flex-col gap-1 text-sm text-soft">
      What you say
      <input
        class="field !text-ink"
        maxlength="200"
        v-shown="step.say ?? ''"
        @change="set('say', text($event).trim() || undefined)"
      />
    </label>
    <label class="flex flex-col gap-1 text-sm text-soft">
      On the tray, with commas
      <input
        class="field !text-ink"
        v-shown="(step.tray ?? []).join(', ')"
        @change="
          set(
            'tray',
            text($event)
              .split(',')
              .map((one) => one.trim().slice(0, 80))
              .filter(Boolean).length > 0
              ? text($event)
                  .split(',')
                  .map((one) => one.trim().slice(0, 80))
                  .filter(Boolean)
              : undefined,
          )
        "
      />
    </label>
    <p v-if="!isDwelling && step.floating === undefined" class="text-sm text-soft">
      Hands are busy throughout.
    </p>
  </div>
</template>
