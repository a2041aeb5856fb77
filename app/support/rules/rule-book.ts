import { requirementWords } from '#core/adapt'
import {
  conditionWords,
  EFFECT_GLYPHS,
  EFFECT_WORDS,
  EFFECTS,
  effectWords,
  isForbidding,
  type Effect,
  type Rule,
} from '#core/safety'
import { BASIS_WORDS } from '~/support/fit/consequences'

/** A rule as the book shows it: everything in words. */
export interface RulePage {
  readonly rule: Rule
  readonly when: string
  readonly effects: readonly {
    readonly effect: Effect
    readonly glyph: string
    readonly word: string
    readonly words: string
    readonly forbids: boolean
  }[]
  /** The strictest effect, as a sign and a word. */
  readonly strictest: { readonly words: string; readonly forbids: boolean }
  readonly basis: string
}

/** Puts a rule into words. */
export function rulePage(rule: Rule): RulePage {
  const effects = rule.effects.map((effect) => ({
    effect: effect.effect,
    glyph: EFFECT_GLYPHS[effect.effect],
    word: EFFECT_WORDS[effect.effect],
    words: effectWords(effect, requirementWords),
    forbids: isForbidding(effect.effect),
  }))
  const first = [...effects].sort(
    (a, b) => EFFECTS.indexOf(a.effect) - EFFECTS.indexOf(b.effect),
  )[0]
  const strictest = first
    ? { words: `${first.glyph} ${first.word}`, forbids: first.forbids }
    : { words: 'from history', forbids: false }
  return {
    rule,
    when: conditionWords(rule.when),
    effects,
    strictest,
    basis: BASIS_WORDS[rule.basis],
  }
}

/** Rules that hold every typed word somewhere in what they say; all of them when nothing is typed. */
export function rulesFound(pages: readonly RulePage[], typed: string): readonly RulePage[] {
  const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return pages.filter((page) => {
    const text = [
      page.rule.id,
      page.rule.title,
      page.rule.reason,
      page.rule.instead,
      page.when,
      page.rule.source ?? '',
      ...page.effects.map((effect) => `${effect.word} ${effect.words}`),
    ]
      .join(' ')
      .toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
}
