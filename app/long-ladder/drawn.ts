import type { LeverId } from '#core/protocol'
import type { Axis, RailPoint, SignId } from '#core/record'
import type { Reply } from '~/support/api'

// A client's long ladder as it is drawn, in pixels: time runs down to scale, one column after another.

export type LongLadderData = Reply<'/api/clients/:id/ladder'>
export type Rung = LongLadderData['rungs'][number]

/** Where things stand across. */
export const SIZES = {
  left: 70,
  /** Between two rungs of a lever, and what a lever takes in all. */
  rung: 11,
  lever: 66,
  strip: 28,
  sign: 62,
  lane: 13,
  facts: 150,
  labels: 158,
  touch: 48,
  folded: 48,
  gapAbove: 14,
} as const

export interface Marker extends RailPoint {
  readonly x: number
  readonly y: number
}
export interface DrawnRail {
  readonly lever: LeverId
  readonly x: number
  readonly markers: readonly Marker[]
  /** From the first to the last use: a step where it moved. */
  readonly path: string
}
export interface Block {
  readonly visitId: string
  readonly grade: number
  readonly y: number
  readonly height: number
}
export interface DrawnSign {
  readonly sign: SignId
  readonly x: number
  readonly blocks: readonly Block[]
}
export interface Label {
  readonly rung: Rung
  /** Where its rung is, and where its words stand. */
  readonly y: number
  readonly labelY: number
  readonly isAhead: boolean
  readonly photos: number
}
export interface Fold {
  readonly id: string
  readonly top: number
  readonly labelY: number
  readonly words: string
  readonly canOpen: boolean
}
export interface DrawnSpan {
  readonly key: string
  readonly words: string
  readonly x: number
  readonly y: number
  readonly height: number
  /** Where its words stand: beside its beginning, and beside the end of what holds still and began far above. */
  readonly wordsY: readonly number[]
  readonly tone: 'medicine' | 'fact' | 'refused'
}
export interface LongLayout {
  readonly width: number
  readonly height: number
  readonly todayY: number
  readonly months: Axis['months']
  readonly rails: readonly DrawnRail[]
  readonly signs: readonly DrawnSign[]
  readonly hiddenSigns: readonly SignId[]
  readonly spans: readonly DrawnSpan[]
  readonly spansX: number
  readonly spanWordsX: number
  readonly labelsX: number
  readonly labels: readonly Label[]
  readonly folds: readonly Fold[]
}
