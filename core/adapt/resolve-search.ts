import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import type { Subject } from '../strength'
import type { Option, OptionContext } from './option'
import type { optionsFor } from './options'
import type { Clash, OrderOf } from './together'

export type Begun = ReadonlyMap<string, Step>

export interface Search {
  readonly order: readonly Step[]
  readonly begun: Begun
  readonly context: OptionContext
  readonly constraints: readonly Constraint[]
  readonly read: (step: Step) => Subject
  readonly orderOf: OrderOf
  nodes: number
  readonly nodeLimit: number
  readonly clashes: Clash[]
  readonly options: Map<string, ReturnType<typeof optionsFor>>
}

export type Chosen = ReadonlyMap<string, Option>
