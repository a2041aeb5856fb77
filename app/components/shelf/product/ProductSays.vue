<script setup lang="ts">
import { familyById, readInci, type Product } from '#core/catalog'
import { freeAcid, isAcidName, PKA, reviewFlags, worthAt } from '#core/chemistry'

const props = defineProps<{ product: Product }>()
const acids = computed(() =>
  props.product.actives.flatMap((active) =>
    isAcidName(active.name) ? [{ name: active.name, percent: active.percent }] : [],
  ),
)
const free = computed(() => freeAcid(acids.value, props.product.pH, props.product.vehicle))
const percent = computed(() => (free.value.ok ? Math.round(free.value.percent * 10) / 10 : 0))
const flags = computed(() => reviewFlags({ actives: props.product.actives, pH: props.product.pH }))
const reading = computed(() => readInci(props.product.inci))
const families = computed(() =>
  [...reading.value.families].map(([id, printed]) => ({
    name: familyById.get(id)?.name ?? id,
    printed: printed.join(', '),
  })),
)
const WHY = {
  'no-ph': 'Without its pH there is no figure: write it from the label or measure it.',
  'not-water': 'It holds in water only: for alcohol or oil there is no figure.',
} as const
const GLYPHS = { within: '✓', outside: '!', none: '·' } as const
const INKS: Readonly<Record<keyof typeof GLYPHS, string>> = {
  outside: 'text-mind',
  within: 'text-calm',
  none: 'text-soft',
}
</script>

<template>
  <div class="flex flex-col gap-5">
    <section v-if="acids.length" aria-label="Free acid">
      <h2 class="text-xl border-b border-line pb-1">Free acid</h2>
      <template v-if="free.ok">
        <p class="mt-2">
          <span class="display text-4xl">{{ percent }} %</span>{{ ' '
          }}<span class="text-soft"
            >of {{ acids.map((one) => `${one.percent} % ${one.name}`).join(' + ') }} at pH
            {{ product.pH }}
          </span>
        </p>
        <svg
          viewBox="0 0 300 16"
          class="w-full mt-1"
          role="img"
          :aria-label="`${percent} of ${acids.reduce((sum, one) => sum + one.percent, 0)} percent is free acid`"
        >
          <rect x="0.5" y="1.5" width="299" height="12" fill="none" stroke="var(--line)" />
          <rect
            x="2"
            y="3"
            height="9"
            :width="
              (296 * percent) /
              Math.max(
                0.001,
                acids.reduce((sum, one) => sum + one.percent, 0),
              )
            "
            fill="var(--hands)"
          />
        </svg>
        <p class="text-sm text-soft mt-1">
          {{ acids.map((one) => `pKa ${PKA[one.name]}`).join(', ')
          }}{{ free.mixture ? '; the sum of its acids, first dissociation of each' : '' }}.
          {{
            acids.length === 1 && product.pH !== undefined
              ? `As strong as ${Math.round(worthAt(acids[0]!.name, acids[0]!.percent, product.pH, 3) * 10) / 10} % at pH 3.0.`
              : ''
          }}
        </p>
      </template>
      <p v-else class="mt-2 text-now font-semibold">{{ WHY[free.why] }}</p>
    </section>
    <section v-if="flags.length" aria-label="Published review">
      <h2 class="text-xl border-b border-line pb-1">Published review</h2>
      <p v-for="flag in flags" :key="flag.active" class="py-1.5 border-b border-hair">
        <span class="font-semibold" :class="INKS[flag.verdict]">
          {{ GLYPHS[flag.verdict] }} {{ flag.active }}
        </span>
        {{ flag.says }}
        <span v-if="flag.source" class="block text-sm text-soft">{{ flag.source }}</span>
      </p>
    </section>
    <section aria-label="Ingredient list read">
      <h2 class="text-xl border-b border-line pb-1">In the list</h2>
      <p v-if="reading.state === 'unread'" class="py-2 text-mind">
        <span class="font-semibold">Not checked.</span> Without a list it cannot be used for anybody
        with an allergy.
      </p>
      <template v-else>
        <p class="py-1.5 text-soft text-sm">{{ reading.count }} ingredients</p>
        <p v-for="family in families" :key="family.name" class="py-1 border-b border-hair">
          <span class="font-semibold">
            {{ family.name }}
          </span>
          <span class="block text-sm text-soft">{{ family.printed }}</span>
        </p>
        <p v-if="families.length === 0" class="py-1 border-b border-hair">
          No allergen family of the book.
        </p>
        <p v-if="reading.actives.length" class="py-1 text-sm text-soft">
          Actives in it: {{ reading.actives.map((one) => one.active.name).join(', ') }}
        </p>
        <p v-if="reading.unknown.length" class="py-1 text-sm">
          <span class="font-semibold text-now">Not known here:</span>
          {{ reading.unknown.join(' · ') }}
        </p>
      </template>
    </section>
  </div>
</template>
