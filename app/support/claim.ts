/** What a page says to the service worker that has not taken it yet. */
export const CLAIM = 'claim'
