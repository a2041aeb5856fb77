import { endInWords, TECHNIQUE_WORDS, type EndingLicence } from '../salon'

/** What a thing that waits is about: where it is done follows from that. */
export type About =
  | { readonly kind: 'client' | 'visit' | 'closed-visit' | 'product'; readonly id: string }
  | { readonly kind: 'device' | 'people' | 'copies' }

/** Something that is to be done before the rest of the day. */
export interface DoFirst {
  readonly sign: 'test' | 'call' | 'out' | 'twice' | 'sign' | 'paper' | 'copy'
  readonly words: string
  readonly about: About
}

/** What the day knows of what waits; `who` and `weekday` are in words already. */
export interface Waiting {
  readonly tests: readonly {
    readonly clientId: string
    readonly who: string
    readonly weekday: string
  }[]
  readonly calls: readonly {
    readonly visitId: string
    readonly who: string
    /** Why, in words. */
    readonly because: string
    readonly weekday: string
  }[]
  readonly short: readonly { readonly productId: string; readonly name: string }[]
  readonly twice: readonly { readonly device: string; readonly time: string }[]
  readonly unsigned: readonly {
    readonly visitId: string
    readonly who: string
    readonly time: string
  }[]
  readonly doubtful: readonly { readonly visitId: string; readonly who: string }[]
  readonly papers: readonly (Pick<EndingLicence, 'technique' | 'daysLeft'> & {
    readonly name: string
  })[]
  readonly copyIsOld: boolean
}

const OLD_COPY: DoFirst = {
  ...{ sign: 'copy', words: 'No copy was made for two days' },
  about: { kind: 'copies' },
}

/** What must be done first, in the order of what cannot wait: what somebody's skin hangs on, then the room, then papers. */
export const doFirst = (waiting: Waiting): DoFirst[] => [
  ...waiting.tests.map(({ clientId, who, weekday }): DoFirst => ({
    sign: 'test',
    words: `Read ${who}’s patch test, placed ${weekday}`,
    about: { kind: 'client', id: clientId },
  })),
  ...waiting.calls.map(({ visitId, who, because, weekday }): DoFirst => ({
    sign: 'call',
    words: `Ask ${who}: ${because} on ${weekday}`,
    about: { kind: 'closed-visit', id: visitId },
  })),
  ...waiting.short.map(({ productId, name }): DoFirst => ({
    sign: 'out',
    words: `${name} does not last today`,
    about: { kind: 'product', id: productId },
  })),
  ...waiting.twice.map(({ device, time }): DoFirst => ({
    sign: 'twice',
    words: `${device} wanted in two rooms at ${time}`,
    about: { kind: 'device' },
  })),
  ...waiting.unsigned.map(({ visitId, who, time }): DoFirst => ({
    sign: 'sign',
    words: `${who}, ${time}: consent is not signed`,
    about: { kind: 'visit', id: visitId },
  })),
  ...waiting.doubtful.map(({ visitId, who }): DoFirst => ({
    sign: 'sign',
    words: `Confirm your signature: ${who}`,
    about: { kind: 'closed-visit', id: visitId },
  })),
  ...waiting.papers.map(({ name, technique, daysLeft }): DoFirst => ({
    sign: 'paper',
    words: `${name}: licence for ${TECHNIQUE_WORDS[technique].toLowerCase()} ${endInWords(daysLeft)}`,
    about: { kind: 'people' },
  })),
  ...(waiting.copyIsOld ? [OLD_COPY] : []),
]
