/** Measures a salon doses with. */
export const MEASURES = [
  'pump',
  'pea',
  'dime',
  'scoop',
  'dropper',
  'teaspoon',
  'drop',
  'ampoule',
  'vial',
  'sachet',
  'sheet',
] as const
