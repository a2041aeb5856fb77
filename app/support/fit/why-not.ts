import { constraintsFor, type CompileInput } from '#core/adapt'
import type { Step } from '#core/protocol'
import { subjectReader } from '#core/strength'
import { touches, type Constraint } from '#core/safety'

/** One rule that speaks about a step or a product today. */
export interface Speaking {
  readonly ruleId: string
  readonly effect: Constraint['effect']
  readonly title: string
  readonly reason: string
  readonly instead: string
  readonly because: string
  readonly zones: Constraint['zones']
}

const ORDER: readonly Constraint['effect'][] = [
  'stop',
  'postpone',
  'refer',
  'scope',
  'clearance',
  'replace',
  'omit-zone',
  'limit',
  'require',
  'caution',
  'advice',
]

/** Rules in force about a step, the strictest first; rules that only lay the room out (family H) are left out. */
export function rulesAbout(input: CompileInput, step: Step): Speaking[] {
  const subject = subjectReader(input.shelf, input.date)(step)
  return constraintsFor(input)
    .inForce.filter(
      (constraint) =>
        !constraint.ruleId.startsWith('H') &&
        !constraint.target.everything &&
        touches(constraint, subject),
    )
    .sort((a, b) => ORDER.indexOf(a.effect) - ORDER.indexOf(b.effect))
    .map(({ ruleId, effect, title, reason, instead, because, zones }) => ({
      ruleId,
      effect,
      title,
      reason,
      instead,
      because,
      zones,
    }))
}

/** Everything that can be asked about: steps of the protocol, then products of the shelf as they would be used. */
export function askable(input: CompileInput): { id: string; name: string; step: Step }[] {
  const steps = input.protocol.steps.map((step) => ({
    id: `step:${step.id}`,
    name: step.title,
    step,
  }))
  const products = input.shelf.products.flatMap((product) => {
    const use = product.uses[0]
    return use
      ? [
          {
            id: `product:${product.id}`,
            name: product.name,
            step: {
              id: product.id,
              phase: use.phase,
              title: product.name,
              zones: use.zones,
              product: { productId: product.id, useId: use.id },
              properties: [],
              segments: use.segments,
              essential: false,
              priority: 3,
            } satisfies Step,
          },
        ]
      : []
  })
  return [...steps, ...products]
}
