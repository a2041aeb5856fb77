import type { ZoneId } from '../zones'

/**
 * Muscles of the face and neck that a coat can follow: from where each begins to where it ends (general anatomy, from memory). Left and right are
 * the client's own; a muscle of the middle has no side. Ring muscles are none of them: nobody foresees which way they draw (common practice).
 */
export const MUSCLES = [
  { id: 'frontalis', begins: 'the hairline', ends: 'the brow', zones: ['forehead'] },
  {
    id: 'procerus',
    begins: 'the bridge of the nose',
    ends: 'between the brows',
    zones: ['glabella'],
  },
  {
    id: 'corrugator',
    begins: 'the inner end of the brow',
    ends: 'the middle of the brow',
    zones: ['glabella', 'brow-left', 'brow-right'],
  },
  {
    id: 'temporalis',
    begins: 'the temple',
    ends: 'in front of the ear',
    zones: ['temple-left', 'temple-right'],
  },
  {
    id: 'nasalis',
    begins: 'beside the wing of the nose',
    ends: 'the bridge of the nose',
    zones: ['nose-side-left', 'nose-side-right', 'nose-bridge'],
  },
  {
    id: 'levator labii',
    begins: 'below the eye',
    ends: 'the upper lip',
    zones: ['nasolabial-left', 'nasolabial-right', 'upper-lip'],
  },
  {
    id: 'zygomaticus minor',
    begins: 'the cheekbone',
    ends: 'the upper lip',
    zones: ['cheekbone-left', 'cheekbone-right'],
  },
  {
    id: 'zygomaticus major',
    begins: 'the cheekbone',
    ends: 'the corner of the mouth',
    zones: ['cheekbone-left', 'cheekbone-right', 'cheek-left', 'cheek-right'],
  },
  {
    id: 'masseter',
    begins: 'the cheekbone',
    ends: 'the corner of the jaw',
    zones: ['cheek-left', 'cheek-right', 'jaw-left', 'jaw-right'],
  },
  {
    id: 'risorius',
    begins: 'before the ear',
    ends: 'the corner of the mouth',
    zones: ['cheek-left', 'cheek-right'],
  },
  {
    id: 'depressor anguli',
    begins: 'the edge of the jaw',
    ends: 'the corner of the mouth',
    zones: ['jaw-left', 'jaw-right', 'chin'],
  },
  {
    id: 'depressor labii',
    begins: 'the edge of the jaw',
    ends: 'the lower lip',
    zones: ['chin'],
  },
  { id: 'mentalis', begins: 'below the teeth', ends: 'the skin of the chin', zones: ['chin'] },
  {
    id: 'sternomastoid',
    begins: 'the breastbone',
    ends: 'behind the ear',
    zones: ['neck-side-left', 'neck-side-right'],
  },
  {
    id: 'platysma',
    begins: 'the chest',
    ends: 'the edge of the jaw',
    zones: ['neck-front', 'decollete', 'under-chin'],
  },
] as const satisfies readonly {
  readonly id: string
  readonly begins: string
  readonly ends: string
  readonly zones: readonly ZoneId[]
}[]

export type MuscleId = (typeof MUSCLES)[number]['id']
