import { CLAIM } from '~/support/claim'

/**
 * A page that came up in the very moment in which the service worker did is left out when that claims its pages, and would have nothing without a network
 * until it is opened anew: it asks to be claimed.
 */
export default defineNuxtPlugin(() => {
  if (!('serviceWorker' in navigator)) return
  void navigator.serviceWorker.ready.then(({ active }) => {
    if (!navigator.serviceWorker.controller) active?.postMessage(CLAIM)
  })
})
