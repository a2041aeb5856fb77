import type { CompileInput } from '../adapt'
import type { Done } from '../climb'
import type { HomePart } from '../costing'
import type { HomeUse } from './model'

/** What a home plan is made from; a value. Days are ISO dates of the salon. */
export interface HomeInput extends Pick<
  CompileInput,
  'client' | 'reading' | 'history' | 'shelf' | 'date' | 'settings' | 'medicines' | 'practitioner'
> {
  /** What this visit did; nothing of it: a plan without a visit. */
  readonly done: Done
  /** What the client said they use; undefined: nobody has asked, and nothing strong is put in. */
  readonly uses: readonly HomeUse[] | undefined
  /** Ids of things that somebody took out of the plan: something else may come for them. */
  readonly out?: readonly string[] | undefined
  /** What of kits opened today goes home. */
  readonly rests: readonly HomePart[]
  /** Acid in the morning with sun protection, retinoid in the evening (method switch of the card). */
  readonly splits: boolean
  /** The next visit: booked, or its usual day. */
  readonly next?: { readonly on: string; readonly isBooked: boolean } | undefined
}
