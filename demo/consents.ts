import type { ConsentKind } from '../server/db/consent.sql'

/** Consent texts of the invented studio. A salon puts its own in their place; local law comes first. */
export const CONSENT_TEXTS: readonly { kind: ConsentKind; title: string; body: string }[] = [
  {
    kind: 'treatment',
    title: 'Consent to the treatment',
    body: 'I have told the studio what I know about my health, my medicines and my allergies, and I will say so when something changes.\n\nI have been told what will be done today, what it may feel like, what may follow (redness, dryness, a sting, seldom a mark) and what I should leave alone afterwards.\n\nI may stop at any time. This is no medical treatment.',
  },
  {
    kind: 'guardian',
    title: 'Consent of a guardian',
    body: 'I am a parent or legal guardian of the client, who is a minor. I have read what will be done and what may follow, I have told the studio about health, medicines and allergies, and I agree to the treatment.\n\nI know whether I have to be present, as the studio has told me.',
  },
  {
    kind: 'photo-record',
    title: 'Photographs for the record',
    body: 'The studio may take photographs of my face and neck and keep them with my record, so that we can compare. Nobody outside the studio sees them.\n\nI may withdraw this at any time; no further photographs are then taken.',
  },
  {
    kind: 'photo-publish',
    title: 'Photographs to be shown',
    body: 'Beyond the record, the studio may show photographs of me, without my name, to other clients or in public.\n\nI may withdraw this at any time; they are then no longer shown.',
  },
]
