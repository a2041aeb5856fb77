import { compile, judgeFit, type CompileInput, type FittedPlan } from '#core/adapt'
import type { Product, Shelf } from '#core/catalog'
import { costOfCard, type CardCost, type Rates } from '#core/costing'
import { mergeRow, type ShelfRow } from '#core/csv'
import { judgeReplan, refitHere } from '#core/perform'
import type { Step } from '#core/protocol'
import { drawnAnew } from './photo'

/** What is worked out beside the server's own thread, by name: values in, a value out, nothing else touched. */
export const TASKS = {
  compile: (input: CompileInput): FittedPlan => compile(input),
  judgeFit,
  judgeReplan,
  refitHere,
  costs: (
    cards: readonly (readonly Step[])[],
    shelf: Shelf,
    supplies: Parameters<typeof costOfCard>[2],
    rates: Rates,
  ): CardCost[] => cards.map((steps) => costOfCard(steps, shelf, supplies, rates)),
  merge: (before: ReadonlyMap<string, Product>, rows: readonly ShelfRow[]): Product[] =>
    rows.map((row) => mergeRow(before.get(row.product.id), row)),
  photo: drawnAnew,
}

export type Tasks = typeof TASKS

/** One task of the pool: its name and what it works with. */
export interface Task {
  readonly name: keyof Tasks
  readonly args: readonly unknown[]
}
