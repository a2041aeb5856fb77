import { describe, expect, test } from 'vitest'
import { QUESTIONS, type Fact } from '#core/client'
import { askedGroups } from '~/support/consult/consult'
import { handedPages, type HandedVisit } from './pages'

const TODAY = '2026-11-29'
const text = (kind: string) => ({ id: kind, kind })
const TEXTS = ['photo-record', 'treatment', 'guardian'].map(text)
const needed = {
  codes: new Set(['pregnancy', 'infection', 'swollen']),
  families: new Set<string>(),
}
const visit = (told: Fact[] = [], more: Partial<HandedVisit<ReturnType<typeof text>>> = {}) => {
  const facts = new Map(told.map((fact) => [fact.code, fact]))
  const groups = askedGroups(facts, TODAY, needed)
  return { groups, needed, facts, texts: TEXTS, consents: [], isMinor: false, ...more }
}
const codes = (pages: ReturnType<typeof handedPages>) =>
  pages.flatMap((page) => (page.kind === 'question' ? [page.question.code] : []))

describe('what a client is asked on the tablet', () => {
  test('is what this card needs, one question a page, then the words to be signed', () => {
    const pages = handedPages(visit())
    expect(codes(pages)).toEqual(['infection', 'pregnancy'])
    expect(pages.map(({ kind }) => kind)).toEqual(
      'welcome question question allergies consent consent done'.split(' '),
    )
  })
  test('is never what the practitioner looks at', () => {
    const seen = QUESTIONS.find(({ group }) => group === 'seen')!
    const groups = askedGroups(new Map(), TODAY, {
      codes: new Set([seen.code]),
      families: new Set(),
    })
    expect(codes(handedPages({ ...visit(), groups }))).toEqual([])
  })
  test('is asked again only where it may have changed, with what was told before', () => {
    const before: Fact = { code: 'pregnancy', answer: 'no', askedOn: '2026-10-01' }
    const pages = handedPages(visit([before]))
    expect(codes(pages)).toEqual(['infection', 'pregnancy'])
    expect(pages[2]).toMatchObject({ before })
    expect(codes(handedPages(visit([{ ...before, answer: 'yes' }])))).toEqual(['infection'])
  })
  test('a guardian signs for a minor first; what is signed is not signed again, what was withdrawn is', () => {
    const signed = (kind: string, withdrawnOn: string | null = null) => ({ kind, withdrawnOn })
    const kinds = (more: object) =>
      handedPages(visit([], more)).flatMap((page) =>
        page.kind === 'consent' ? [page.text.kind] : [],
      )
    expect(kinds({ isMinor: true })).toEqual(['guardian', 'treatment', 'photo-record'])
    expect(kinds({ consents: [signed('treatment')] })).toEqual(['photo-record'])
    expect(kinds({ consents: [signed('treatment', TODAY)] })).toEqual(['treatment', 'photo-record'])
  })
})
