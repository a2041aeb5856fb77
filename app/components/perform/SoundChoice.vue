<script setup lang="ts">
import { SOUND_WAYS, type SoundWay } from '~/composables/perform/useSignals'

/** How this tablet calls hands: asked once, before the first visit on it; changed under Time. */
const { way, choose, canShake } = useSoundWay()
const WORDS: Readonly<Record<SoundWay, string>> = {
  tones: 'Soft tones',
  vibration: 'It shakes',
  silent: 'Silent',
}
const ways = SOUND_WAYS.filter((one) => one !== 'vibration' || canShake)
</script>

<template>
  <div role="radiogroup" aria-label="How this tablet calls you">
    <p class="text-lg">When something is due, to be mixed or past its time:</p>
    <div class="flex flex-wrap gap-2 mt-2">
      <button
        v-for="one in ways"
        :key="one"
        type="button"
        role="radio"
        class="pick !min-h-[64px] !px-5 text-lg"
        :aria-checked="way === one"
        @click="choose(one)"
      >
        {{ WORDS[one] }}
      </button>
    </div>
  </div>
</template>
