import { ofMedicines, questionByCode, type Fact } from '../client'

/** Something that came, went, or happened once while the client was coming here. */
export interface Span {
  readonly code: string
  /** ISO dates. No `from`: it was there before the first visit. No `to`: it holds still. */
  readonly from?: string
  readonly to?: string
  /** It happened once, or will. */
  readonly isOnce?: true
}

/**
 * Facts that changed while a client was coming: those that came or went after `since`, and what was done once. What was known from the
 * first day and holds still is no news on a ladder. Answers of one day only, and those drawn from medicines, are left out.
 */
export function spansOf(facts: readonly Fact[], since: string): Span[] {
  const byCode = new Map<string, Fact[]>()
  for (const fact of facts) {
    if (questionByCode.get(fact.code)?.ofTheDay || ofMedicines(fact)) continue
    byCode.set(fact.code, [...(byCode.get(fact.code) ?? []), fact])
  }
  return [...byCode]
    .flatMap(([code, said]) => spansOfCode(code, said.sort(byDay)))
    .filter(({ from, to }) => (from !== undefined && from > since) || (to ?? since) > since)
    .map(({ from, ...span }): Span =>
      from !== undefined && from > since ? { ...span, from } : span,
    )
    .sort((a, b) => ((a.from ?? '') < (b.from ?? '') ? -1 : 1))
}
const byDay = (a: Fact, b: Fact): number => a.askedOn.localeCompare(b.askedOn)

/** What the date of an answer means; a medicine's is the day it was stopped. */
const meansOf = (code: string) =>
  questionByCode.get(code)?.date ?? (code.startsWith('medicine:') ? 'stopped' : 'since')

function spansOfCode(code: string, said: readonly Fact[]): Span[] {
  const means = meansOf(code)
  return means === 'done' || means === 'ahead' ? daysOf(code, said) : timesOf(code, said, means)
}

function daysOf(code: string, said: readonly Fact[]): Span[] {
  const days = said.flatMap(({ answer, on }) => (answer === 'yes' && on ? [on] : []))
  return [...new Set(days)].map((on) => ({ code, from: on, to: on, isOnce: true }))
}

function timesOf(code: string, said: readonly Fact[], means: 'since' | 'stopped'): Span[] {
  const spans: Span[] = []
  let begun: string | undefined
  for (const fact of said) {
    if (fact.answer === 'yes') begun ??= begunOn(fact, means)
    const ended = endedOn(fact, means)
    if (begun === undefined || ended === undefined) continue
    // Told only after it was over: from when is not known. Told again, it is no other.
    if (ended > (spans.at(-1)?.to ?? ''))
      spans.push({ code, from: begun < ended ? begun : ended, to: ended })
    begun = undefined
  }
  return begun === undefined ? spans : [...spans, { code, from: begun }]
}
const begunOn = ({ on, askedOn }: Fact, means: 'since' | 'stopped'): string =>
  (means === 'since' ? on : undefined) ?? askedOn

/** When an answer ends what was so: the day it was stopped, or the day the client said no. */
function endedOn({ answer, on, askedOn }: Fact, means: 'since' | 'stopped'): string | undefined {
  if (answer === 'yes') return means === 'stopped' ? on : undefined
  return answer === 'no' ? askedOn : undefined
}

/** Spans in lanes so that none meets another in its lane, the earliest first. `until`: the day to which open ones run. */
export function lanesOf(
  spans: readonly Span[],
  until: string,
): { readonly span: Span; readonly lane: number }[] {
  const ends: string[] = []
  return [...spans]
    .sort((a, b) => ((a.from ?? '') < (b.from ?? '') ? -1 : 1))
    .map((span) => {
      const from = span.from ?? ''
      const free = ends.findIndex((end) => end < from)
      const lane = free === -1 ? ends.length : free
      ends[lane] = span.to ?? until
      return { span, lane }
    })
}
