<script setup lang="ts">
import { isAdvice, windowOf, type RuleSettings } from '#core/safety'
import { call, refusalOf, type Reply } from '~/support/api'
import type { RulePage } from '~/support/rules/rule-book'

const props = defineProps<{
  page: RulePage
  settings: RuleSettings
  owner: boolean
  seesHealth: boolean
}>()
const emit = defineEmits<{ set: [] }>()

const touched = ref<Reply<'/api/rules/:ruleId'>['clients']>()
const trouble = ref('')
const rule = computed(() => props.page.rule)
const window_ = computed(() => windowOf(rule.value))
const days = ref(0)
const off = computed(() => props.settings.adviceOff.includes(rule.value.id))
const inForceDays = computed(
  () => props.settings.windowDays[rule.value.id] ?? window_.value?.days ?? 0,
)

watch(
  () => rule.value.id,
  async (id) => {
    touched.value = undefined
    trouble.value = ''
    days.value = inForceDays.value
    if (!props.seesHealth) return
    try {
      const { clients } = await call('/api/rules/:ruleId', { params: { ruleId: id } })
      if (id === rule.value.id) touched.value = clients
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  },
  { immediate: true },
)

async function set(adviceOff: boolean, windowDays: number | null) {
  trouble.value = ''
  try {
    await call('/api/rules/:ruleId', {
      method: 'put',
      params: { ruleId: rule.value.id },
      body: { adviceOff, windowDays },
    })
    emit('set')
  } catch (error) {
    trouble.value =
      refusalOf(error).status === 0
        ? 'No connection: this was not changed.'
        : refusalOf(error).detail
  }
}
function resetDays(bookDays: number) {
  void set(off.value, null)
  days.value = bookDays
}
const { said } = useMeasures()
</script>

<template>
  <article :aria-label="`Rule ${rule.id}`">
    <p class="text-soft">{{ rule.id }} · {{ page.basis }}</p>
    <h2 class="text-2xl leading-tight mb-3" :class="off && 'line-through'">{{
      said(rule.title)
    }}</h2>
    <dl class="grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-2.5 border-t border-line pt-3">
      <dt class="text-soft">When</dt>
      <dd>
        {{ page.when }}
      </dd>
      <dt class="text-soft">Then</dt>
      <dd>
        <ul class="flex flex-col gap-1">
          <li v-for="(effect, at) in page.effects" :key="at">
            <span class="font-semibold whitespace-nowrap" :class="effect.forbids && 'text-mind'">
              {{ effect.glyph }} {{ effect.word }}
            </span>
            {{ said(effect.words) }}
          </li>
          <li v-if="page.effects.length === 0">worked out from past visits</li>
        </ul>
      </dd>
      <dt class="text-soft">Why</dt>
      <dd>
        {{ said(rule.reason) }}
      </dd>
      <dt class="text-soft">Instead</dt>
      <dd>
        {{ said(rule.instead) }}
      </dd>
      <dt class="text-soft">Basis</dt>
      <dd>
        {{ page.basis }}<span v-if="rule.source">: {{ rule.source }}</span>
      </dd>
      <dt class="text-soft">Kept as written</dt>
      <dd>{{ rule.overridable === 'reason' ? 'with a reason in writing' : 'never' }}</dd>
    </dl>

    <section
      v-if="window_ || isAdvice(rule)"
      class="border-t border-line mt-4 pt-3"
      aria-label="Set by the salon"
    >
      <form v-if="window_" class="flex items-end gap-3" @submit.prevent="set(off, days)">
        <label class="flex flex-col gap-1">
          Window in days
          <input
            v-model.number="days"
            class="field w-28"
            type="number"
            :min="window_.floor"
            max="3660"
            step="1"
            required
            :disabled="!owner"
          />
        </label>
        <button
          v-if="owner"
          type="submit"
          class="rung"
          v-off="days === inForceDays && 'It is in force already.'"
        >
          Set
        </button>
        <button
          v-if="owner && inForceDays !== window_.days"
          type="button"
          class="rung"
          @click="resetDays(window_.days)"
        >
          Back to {{ window_.days }}
        </button>
        <span class="text-sm text-soft pb-3">never below {{ window_.floor }}</span>
      </form>
      <button
        v-if="isAdvice(rule)"
        type="button"
        class="rung"
        v-off="!owner && 'The owner sets this.'"
        :aria-pressed="off"
        @click="set(!off, null)"
      >
        {{ off ? 'Switch this advice on' : 'Switch this advice off' }}
      </button>
      <p v-if="!owner" class="text-sm text-soft mt-1">The owner sets this.</p>
    </section>

    <section
      v-if="seesHealth"
      class="border-t border-line mt-4 pt-3"
      aria-label="Clients whom it touches"
    >
      <p class="text-soft mb-1">Touches today</p>
      <p v-if="!touched && !trouble" class="text-soft">Looking …</p>
      <p v-else-if="touched && touched.length === 0">Nobody in this studio.</p>
      <ul v-else>
        <li v-for="client in touched" :key="client.id" class="py-1.5 border-b border-hair">
          <span class="font-semibold">{{ client.name }}</span>{{ ' '
          }}<span class="text-soft">{{ client.because.join('; ') }}</span>
        </li>
      </ul>
    </section>
    <p v-if="trouble" role="alert" class="mt-3 text-mind font-medium">{{ trouble }}</p>
  </article>
</template>
