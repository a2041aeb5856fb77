import type { Change, FittedPlan } from '#core/adapt'

/** Changes of today's ladder that stand because of one answer, by its code. */
export const changesBecause = (plan: FittedPlan | undefined, code: string): Change[] =>
  plan?.changes.filter(({ why }) => why.some(({ facts }) => facts?.includes(code))) ?? []

/** Why something changed, as one says it: what is true of the client, or the rule's own reason where it always holds. */
export const causeWords = ({ because, reason }: Change['why'][number]): string =>
  because === 'always' ? reason : because

const GLYPHS: Readonly<Record<Change['kind'], { glyph: string; word: string }>> = {
  dropped: { glyph: '✕', word: 'Left out' },
  replaced: { glyph: '⇄', word: 'Replaced' },
  rung: { glyph: '↓', word: 'Rung' },
  minutes: { glyph: '◔', word: 'Minutes' },
  zones: { glyph: '◌', word: 'Zones' },
  removal: { glyph: '≈', word: 'Removal' },
  inserted: { glyph: '+', word: 'Put in' },
  care: { glyph: '!', word: 'Care' },
  kept: { glyph: '✓', word: 'Kept as written' },
  chosen: { glyph: '◆', word: 'Chosen' },
  swapped: { glyph: '⇄', word: 'Shorter way' },
  moved: { glyph: '↕', word: 'Moved' },
  hung: { glyph: '↳', word: 'Hung' },
  unmet: { glyph: '?', word: 'Missing' },
}
export const glyphOf = (kind: Change['kind']) => GLYPHS[kind]
export const BASIS_WORDS = {
  published: 'published',
  'common-practice': 'common practice',
  house: 'house convention',
} as const
