import type { Step } from '../protocol/model'
import { unrolled } from '../protocol/unroll'
import { touches } from '../safety/touches'
import { subjectReader, type Subject } from '../strength'
import { constraintsFor, type CompileInput } from './input'
import { prepared } from './prep'

/** What has to be asked before a card can be laid. */
export interface Needed {
  /** Codes of questions that would hold something of it back as long as nobody has asked. */
  readonly codes: ReadonlySet<string>
  /** Ingredient families in what the card uses or may be replaced by. */
  readonly families: ReadonlySet<string>
}

/**
 * The questions that this card needs: those by which a step of it, or a product that may take the place of one, is held back until they are
 * asked. What is known of the client already plays no part, so that the list stays the same while it is answered.
 */
export function questionsNeeded(given: CompileInput): Needed {
  const input = prepared(given)
  const nobody: CompileInput = { ...input, client: { ...input.client, facts: [] } }
  const subjects = subjectsOf(input)
  const held = constraintsFor(nobody).inForce.filter(
    (constraint) =>
      constraint.unasked &&
      (constraint.target.everything || subjects.some((subject) => touches(constraint, subject))),
  )
  const parts = subjects.flatMap((subject) => subject.parts)
  return {
    codes: new Set(held.flatMap(({ facts = [] }) => facts)),
    families: new Set(parts.flatMap(({ inci }) => [...inci.families.keys()])),
  }
}

/** The card's steps as written, and what else stands on the shelf for the same phases. */
function subjectsOf({ protocol, shelf, date }: CompileInput): Subject[] {
  const read = subjectReader(shelf, date)
  const steps = protocol.steps.map(unrolled)
  const phases = new Map(steps.map((step) => [step.phase, step]))
  const others = shelf.products.flatMap((product) =>
    product.uses.flatMap((use): Step[] => {
      const step = phases.get(use.phase)
      if (!step) return []
      const pick = { productId: product.id, useId: use.id }
      return [
        {
          ...{ id: `${product.id}/${use.id}`, phase: use.phase, title: product.name },
          ...{ zones: use.zones, properties: [], product: pick, segments: use.segments },
          ...{ essential: false, priority: step.priority },
        },
      ]
    }),
  )
  return [...steps, ...others].map(read)
}
