import type { Step } from '../protocol/model'
import { optionsFor } from './options'
import type { Search, Chosen } from './resolve-search'

export function optionsOnce(
  search: Search,
  step: Step,
  chosen: Chosen,
): ReturnType<typeof optionsFor> {
  const cause = step.closes === undefined ? undefined : chosen.get(step.closes)
  if (cause && !cause.step)
    return {
      options: [
        {
          step: undefined,
          changes: [
            {
              kind: 'dropped',
              stepId: step.id,
              what: `${step.title} left out with its cause`,
              why: cause.changes.flatMap((change) => change.why),
            },
          ],
        },
      ],
      blockedBy: [],
    }
  const known = search.options.get(step.id)
  if (known) return known
  const found = optionsFor(cause ? { ...step, essential: true } : step, search.context)
  // A closure whose product is out or not permitted must not take its cause along where the rules do not ask for it.
  const kept =
    cause && found.options.length === 0
      ? optionsFor({ ...step, essential: false }, search.context)
      : found
  search.options.set(step.id, kept)
  return kept
}
