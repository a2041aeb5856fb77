<script setup lang="ts">
import type { ClientRecord } from '~/support/clients'

/** What the client may ask of what is kept: all of it, that it rests, that it goes. The owner's. */
const props = defineProps<{
  record: ClientRecord
  trouble: string
  restrict: (why: string | null) => Promise<unknown>
  erase: (why: 'asked' | 'by-mistake', password: string) => Promise<unknown>
}>()
const isErasing = ref(false)
const isClosing = ref(false)
const why = ref('')
async function close() {
  if (await props.restrict(why.value)) isClosing.value = false
}
</script>

<template>
  <section aria-label="The client’s rights" class="border-t border-line pt-3">
    <h2 class="text-xl">The client’s rights</h2>
    <div class="flex flex-wrap gap-3 mt-2">
      <a class="rung" :href="`/api/clients/${record.id}/archive`" download>
        Everything as one archive
      </a>
      <button
        v-if="record.restricted === null"
        type="button"
        class="rung"
        @click="isClosing = true"
      >
        Close the record …
      </button>
      <button v-else type="button" class="rung rung-strong" @click="restrict(null)">
        Open it again
      </button>
      <button type="button" class="rung !border-mind text-mind" @click="isErasing = true">
        Erase …
      </button>
    </div>
    <PlainDialog :open="isClosing" title="Close the record" @close="isClosing = false">
      <p class="mb-3">
        Nothing of it is read, changed or booked until you open it again. The archive and erasing
        stay possible.
      </p>
      <form class="flex flex-col gap-3" @submit.prevent="close">
        <label class="flex flex-col gap-1">
          Why, as the client said it
          <input v-model="why" class="field" minlength="2" maxlength="200" required />
        </label>
        <div class="flex justify-end gap-3">
          <button type="button" class="rung" @click="isClosing = false">Leave it open</button>
          <button type="submit" class="rung rung-strong">Close it</button>
        </div>
      </form>
    </PlainDialog>
    <EraseDialog
      v-if="isErasing"
      :record="record"
      :trouble="trouble"
      :erase="erase"
      @close="isErasing = false"
    />
  </section>
</template>
