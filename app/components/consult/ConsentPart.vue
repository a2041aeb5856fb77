<script setup lang="ts">
import type { Consent, ConsentText } from '~/stores/visit'
import { shortDate } from '~/support/time'

const props = defineProps<{
  texts: readonly ConsentText[]
  consents: readonly Consent[]
  client: string
  minor: boolean
  disabled: boolean
  owner: boolean
}>()
const emit = defineEmits<{
  sign: [text: ConsentText, signer: string, relation: 'client' | 'guardian', signature: string]
  withdraw: [id: string]
  published: []
}>()
const open = ref<ConsentText>()
const changing = ref<ConsentText>()
const shown = ref<Consent>()
const signer = ref('')
const signature = ref('')
const ORDER: readonly ConsentText['kind'][] = [
  'guardian',
  'treatment',
  'photo-record',
  'photo-publish',
]
const wanted = computed(() =>
  props.texts
    .filter((text) => text.kind !== 'guardian' || props.minor)
    .sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind)),
)
const signedOf = (text: ConsentText) =>
  props.consents.find((consent) => consent.kind === text.kind && !consent.withdrawnOn)
function begin(text: ConsentText) {
  open.value = text
  signer.value = text.kind === 'guardian' ? '' : props.client
  signature.value = ''
}
function sign() {
  emit(
    'sign',
    open.value!,
    signer.value.trim(),
    open.value!.kind === 'guardian' || props.minor ? 'guardian' : 'client',
    signature.value,
  )
  open.value = undefined
}
const picture = (svg: string) => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`
function withdraw(id: string) {
  emit('withdraw', id)
  shown.value = undefined
}
</script>

<template>
  <section aria-label="Consent">
    <h2 class="text-xl border-b border-line pb-2">Consent, with the words that are signed</h2>
    <ul>
      <li
        v-for="text in wanted"
        :key="text.id"
        class="flex items-center gap-3 py-2.5 border-b border-hair"
      >
        <span class="flex-1">
          <span class="font-semibold">
            {{ text.title }}
          </span>
          <span class="block text-sm" :class="signedOf(text) ? 'text-soft' : 'text-mind'">{{
            signedOf(text)
              ? `${signedOf(text)!.signer}, ${shortDate(signedOf(text)!.signedOn)}, version ${signedOf(text)!.version}${signedOf(text)!.version < text.version ? `; the words are now version ${text.version}` : ''}`
              : 'not signed'
          }}</span>
        </span>
        <button
          v-if="signedOf(text)"
          type="button"
          class="pick text-sm"
          @click="shown = signedOf(text)"
        >
          See
        </button>
        <button v-if="owner" type="button" class="pick text-sm" @click="changing = text">
          Change the words
        </button>
        <button type="button" class="rung" :disabled="disabled" @click="begin(text)">{{
          signedOf(text) ? 'Sign anew …' : 'Sign …'
        }}</button>
      </li>
    </ul>
    <PlainDialog
      :open="open !== undefined"
      wide
      :title="open?.title ?? ''"
      @close="open = undefined"
    >
      <p
        class="whitespace-pre-line max-h-60 overflow-y-auto border-y border-hair py-3"
        tabindex="0"
        >{{ open?.body }}</p
      >
      <form class="mt-4" @submit.prevent="sign">
        <label class="flex flex-col gap-1 mb-3">
          {{ open?.kind === 'guardian' || minor ? 'Guardian' : 'Name' }}
          <input v-model="signer" class="field" required minlength="2" maxlength="120" />
        </label>
        <SignaturePad v-if="open" @drawn="signature = $event" />
        <div class="flex justify-end gap-3 mt-4">
          <button type="button" class="rung" @click="open = undefined">Not now</button>
          <button
            type="submit"
            class="rung rung-strong"
            v-off="!signature && 'Sign in the field first.'"
          >
            Keep the signature
          </button>
        </div>
      </form>
    </PlainDialog>
    <PlainDialog
      :open="shown !== undefined"
      wide
      :title="shown ? `${shown.title}, version ${shown.version}` : ''"
      @close="shown = undefined"
    >
      <p
        class="whitespace-pre-line max-h-60 overflow-y-auto border-y border-hair py-3"
        tabindex="0"
        >{{ shown?.body }}</p
      >
      <img
        v-if="shown"
        :src="picture(shown.signature)"
        :alt="`Signature of ${shown.signer}`"
        class="h-28 mt-3 bg-[#f7f3ea] border border-hair"
      />
      <p v-if="shown" class="text-sm text-soft">
        {{ shown.signer }}, {{ shown.relation }}, {{ shortDate(shown.signedOn) }}
      </p>
      <div class="flex justify-end gap-3 mt-4">
        <button
          v-if="shown"
          type="button"
          class="rung !border-mind text-mind"
          :disabled="disabled"
          @click="withdraw(shown.id)"
        >
          Withdraw from today
        </button>
        <button type="button" class="rung" @click="shown = undefined">Close</button>
      </div>
    </PlainDialog>
    <ConsentWords :text="changing" @close="changing = undefined" @published="emit('published')" />
  </section>
</template>
