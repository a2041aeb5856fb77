import { describe, expect, test } from 'vitest'
import { ACID } from '../../tests/fixtures'
import type { Step } from '../protocol'
import { compareVersions } from '.'

describe('two versions side by side', () => {
  const name = (id: string) => id.toUpperCase()
  test('the same ladder is the same', () =>
    expect(
      compareVersions(ACID.steps, ACID.steps).every((row) => row.kind === 'same' && !row.moved),
    ).toBe(true))
  test('one rung moved is one rung moved', () => {
    const [first, second, ...rest] = ACID.steps
    const rows = compareVersions(ACID.steps, [second!, ...rest, first!])
    expect(rows.filter((row) => row.moved).map((row) => [row.stepId, row.from, row.to])).toEqual([
      [first!.id, 1, ACID.steps.length],
    ])
  })
  test('added, removed and changed, each in its place and in words', () => {
    const later = ACID.steps
      .filter((step) => step.id !== 'led')
      .map((step): Step =>
        step.id === 'oat'
          ? {
              ...step,
              product: { productId: 'clay-mask', useId: 'mask' },
              priority: 2,
              segments: step.segments.map((part) =>
                part.kind === 'dwell' ? { ...part, usualS: 720 } : part,
              ),
            }
          : step,
      )
    const rows = compareVersions(
      ACID.steps,
      [...later, { ...ACID.steps[0]!, id: 'new', title: 'New' }],
      name,
    )
    expect(rows.find((row) => row.stepId === 'oat')).toMatchObject({
      kind: 'changed',
      details: ['product: OAT-MASK → CLAY-MASK', 'processing: 15 → 12 min', 'priority 4 → 2'],
    })
    const at = rows.findIndex((row) => row.stepId === 'led')
    expect(rows[at]).toMatchObject({ kind: 'removed' })
    expect(rows[at - 1]!.stepId).toBe('oat')
    expect(rows.at(-1)).toMatchObject({ kind: 'added', stepId: 'new' })
  })
})
