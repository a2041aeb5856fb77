/** What can touch a client during a visit, by how it lies or works there. */
export const TOUCH_KINDS = [
  'layer',
  'going-on',
  'leave-on',
  'device',
  'heat',
  'came-off',
  'position',
] as const
export type TouchKind = (typeof TOUCH_KINDS)[number]
