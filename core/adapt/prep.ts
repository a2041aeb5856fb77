import { productById } from '../catalog/shelf'
import { composedShelf, withPartReplaced } from '../mixing/house-mix'
import type { Step } from '../protocol/model'
import { ownWhy, type Change } from './change'
import type { CompileInput } from './input'
import { withPick } from './picks'

/** The input with its house mixes composed, parts standing in for others where that was chosen. Doing it twice changes nothing more. */
export function prepared(input: CompileInput): CompileInput {
  const swaps = Object.entries(input.prep?.partStandIns ?? {}).flatMap(([mixId, parts]) =>
    Object.entries(parts).map(([partId, byId]) => [mixId, partId, byId] as const),
  )
  const shelf = composedShelf(
    swaps.reduce(
      (before, [mixId, partId, byId]) => withPartReplaced(before, mixId, partId, byId),
      input.shelf,
    ),
  )
  return shelf === input.shelf ? input : { ...input, shelf }
}

/** Steps with what somebody chose to stand in. A choice the shelf no longer holds is left aside: the step then goes its own way. */
export function withStandIns(
  steps: readonly Step[],
  { prep, shelf }: CompileInput,
): { steps: readonly Step[]; changes: readonly Change[] } {
  const changes: Change[] = []
  const stoodIn = steps.map((step) => {
    const pick = prep?.standIns[step.id]
    const other =
      pick && pick.productId !== step.product?.productId ? withPick(step, pick, shelf) : undefined
    if (!other) return step
    const before = productById(shelf, step.product?.productId)?.name ?? step.title
    changes.push({
      kind: 'replaced',
      stepId: step.id,
      what: `${before} → ${other.title}`,
      why: [
        ownWhy(
          'S06',
          'You chose it to stand in while you laid the tray.',
          'Take the choice back on Prepare.',
        ),
      ],
    })
    return other
  })
  return { steps: stoodIn, changes }
}
