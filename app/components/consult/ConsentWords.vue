<script setup lang="ts">
import type { ConsentText } from '~/stores/visit'
import { call, refusalOf } from '~/support/api'

/** New words for one kind of consent. What has been signed keeps the words under which it was signed. */
const props = defineProps<{ text: ConsentText | undefined }>()
const emit = defineEmits<{ close: []; published: [] }>()
const words = ref({ title: '', body: '' })
const trouble = ref('')
watch(
  () => props.text,
  (text) => {
    words.value = { title: text?.title ?? '', body: text?.body ?? '' }
    trouble.value = ''
  },
)
const isSame = computed(
  () =>
    words.value.title.trim() === props.text?.title && words.value.body.trim() === props.text.body,
)
async function publish() {
  const { kind, version } = props.text!
  try {
    await call('/api/consent-texts', {
      method: 'post',
      body: { kind, after: version, ...words.value },
    })
    emit('published')
    emit('close')
  } catch (error) {
    trouble.value =
      refusalOf(error).status === 0
        ? 'No connection: nothing was published. What you wrote is still here.'
        : refusalOf(error).detail
  }
}
</script>

<template>
  <PlainDialog
    :open="text !== undefined"
    wide
    :title="text ? `New words, version ${text.version + 1}` : ''"
    @close="emit('close')"
  >
    <form class="flex flex-col gap-3" @submit.prevent="publish">
      <label class="flex flex-col gap-1">
        Title
        <input v-model="words.title" class="field" required minlength="3" maxlength="120" />
      </label>
      <label class="flex flex-col gap-1">
        Words to be signed
        <textarea
          v-model="words.body"
          class="field py-2 h-64"
          required
          minlength="40"
          maxlength="8000"
        />
      </label>
      <p class="text-sm text-soft">
        What has been signed keeps the words under which it was signed. Local law comes first.
      </p>
      <p v-if="trouble" role="alert" class="text-mind">{{ trouble }}</p>
      <div class="flex justify-end items-center gap-3">
        <p v-if="isSame" class="text-soft mr-auto">Nothing is changed yet.</p>
        <button type="button" class="rung" @click="emit('close')">Cancel</button>
        <button
          type="submit"
          class="rung rung-strong"
          v-off="(!text && 'There are no words yet.') || (isSame && 'Nothing is changed yet.')"
          >Publish</button
        >
      </div>
    </form>
  </PlainDialog>
</template>
