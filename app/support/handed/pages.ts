import type { Needed } from '#core/adapt'
import type { Fact, Question } from '#core/client'
import type { AskedGroup } from '~/support/consult/consult'

interface Text {
  readonly id: string
  readonly kind: string
}
interface Signed {
  readonly kind: string
  readonly withdrawnOn: string | null
}

/** What the client sees on one page: one question, the allergies, or one text to be signed. */
export type HandedPage<T extends Text = Text> =
  | { readonly kind: 'welcome' }
  | { readonly kind: 'question'; readonly question: Question; readonly before: Fact | undefined }
  | { readonly kind: 'allergies' }
  | { readonly kind: 'consent'; readonly text: T }
  | { readonly kind: 'done' }

export interface HandedVisit<T extends Text> {
  readonly groups: readonly AskedGroup[]
  readonly needed: Needed
  readonly facts: ReadonlyMap<string, Fact>
  readonly texts: readonly T[]
  readonly consents: readonly Signed[]
  readonly isMinor: boolean
}

/** What the practitioner looks at, and nobody is asked. */
const SEEN = 'seen'
const ORDER = ['guardian', 'treatment', 'photo-record', 'photo-publish']

/** What is still to be asked of a client and to be signed, one thing a page, in the order of asking. */
export function handedPages<T extends Text>(visit: HandedVisit<T>): HandedPage<T>[] {
  const asked = visit.groups.filter(({ id, isNeeded }) => isNeeded && id !== SEEN)
  return [
    { kind: 'welcome' },
    ...asked.flatMap((group) => questionsOf(group, visit)),
    ...textsOf(visit).map((text) => ({ kind: 'consent' as const, text })),
    { kind: 'done' },
  ]
}

function questionsOf<T extends Text>(
  group: AskedGroup,
  { needed, facts }: HandedVisit<T>,
): HandedPage<T>[] {
  if (group.id === 'allergies') return group.isDone ? [] : [{ kind: 'allergies' }]
  const open = [...group.open.filter(({ code }) => needed.codes.has(code)), ...group.again]
  return group.questions
    .filter((question) => open.includes(question))
    .map((question) => ({ kind: 'question', question, before: facts.get(question.code) }))
}

function textsOf<T extends Text>({ texts, consents, isMinor }: HandedVisit<T>): T[] {
  const isSigned = ({ kind }: Text) =>
    consents.some((consent) => consent.kind === kind && consent.withdrawnOn === null)
  return texts
    .filter((text) => !isSigned(text) && (text.kind !== 'guardian' || isMinor))
    .toSorted((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind))
}
