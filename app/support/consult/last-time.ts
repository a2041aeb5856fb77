import type { LastTime } from '#core/perform'
import { feltWords } from '#core/perform'

/** One line of what the last visit left to know. */
export interface LastLine {
  readonly kind: 'felt' | 'left out' | 'passes' | 'set'
  readonly title: string
  readonly words: string
}

/** What was felt, left out, repeated and set otherwise at the last visit, in lines. */
export const lastLines = ({ felt, leftOut, passes, levels }: LastTime): LastLine[] => [
  ...felt.map((one): LastLine => ({ kind: 'felt', title: one.title, words: feltWords(one) })),
  ...leftOut.map(({ title, why }): LastLine => ({ kind: 'left out', title, words: why })),
  ...passes.map((one): LastLine => ({
    ...{ kind: 'passes', title: one.title },
    words: `${one.passes} passes until it was clean`,
  })),
  ...levels.map(({ title, setting, value, zones, why }): LastLine => ({
    ...{ kind: 'set', title },
    words: `${setting} ${value}${zones ? ` at ${zones.join(', ').replaceAll('-', ' ')}` : ''}, ${why}`,
  })),
]
