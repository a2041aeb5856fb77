/** What a client may want, in no order: their ranking is their own. */
export const CONCERNS = [
  'calm',
  'clarify',
  'hydrate',
  'firm',
  'brighten',
  'smooth',
  'eyes',
  'lips',
] as const
