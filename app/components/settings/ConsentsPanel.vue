<script setup lang="ts">
import type { ConsentText } from '~/stores/visit'
import { call } from '~/support/api'

/** The words clients sign. */
const { shown: texts, trouble, done, reread } = useChanges(() => call('/api/consent-texts'))
const changing = ref<ConsentText>()
const FOR: Readonly<Record<ConsentText['kind'], string>> = {
  treatment: 'signed before the first visit',
  guardian: 'signed by a guardian for who is not of age',
  'photo-record': 'asked before a photograph is taken for the record',
  'photo-publish': 'asked before a photograph is shown to anybody else',
}
const published = () => reread('Published: signed from now on. What was signed keeps its words.')
</script>

<template>
  <div class="max-w-3xl">
    <SaveState :trouble="trouble" :done="done" />
    <ul>
      <li v-for="text in texts ?? []" :key="text.id" class="border-b border-hair py-3">
        <div class="flex items-center gap-4">
          <p class="flex-1 min-w-0">
            <span class="font-semibold text-lg">{{ text.title }}</span>
            <span class="block text-sm text-soft"
              >Version {{ text.version }}, {{ FOR[text.kind] }}</span
            >
          </p>
          <button type="button" class="rung" @click="changing = text">Change the words …</button>
        </div>
        <p class="mt-1 max-w-[70ch] line-clamp-3 text-soft">{{ text.body }}</p>
      </li>
    </ul>
    <ConsentWords :text="changing" @close="changing = undefined" @published="published" />
  </div>
</template>
