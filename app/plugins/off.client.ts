import { off } from '~/support/off'

/** `v-off="why"`: a control that cannot do its work now says why, wherever it is touched. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive('off', off(useOffReason().say))
})
