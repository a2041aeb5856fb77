/** Family G: what is said on the emergency card; offline, one touch in Perform. Common first aid, values from memory. */
export interface EmergencyRow {
  readonly id: string
  readonly signs: string
  readonly act: string
  readonly then: string
}

export const EMERGENCIES: readonly EmergencyRow[] = [
  {
    id: 'G01',
    signs:
      'Hives · swelling of lip, tongue or eyelid · tight throat · cannot breathe · faint · chest pain · sudden weakness',
    act: 'Stop. Call the emergency number.',
    then: 'Take off what is safe to take off. Stay with the client.',
  },
  {
    id: 'G02',
    signs: 'Product in the eye',
    act: 'Rinse with water for 15 minutes.',
    then: 'Then a physician.',
  },
  {
    id: 'G03',
    signs: 'Burn',
    act: 'Cool running water for 20 minutes.',
    then: 'No ice, no cream; then a physician.',
  },
]
