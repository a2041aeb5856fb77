import { describe, expect, test } from 'vitest'
import { BROKEN, read } from '../../tests/wrong-orders'
import { DEMO_SHELF } from '../../demo/shelf'
import { lint, type Step } from '../protocol'
import { mend } from '.'

/** Findings whose choice is the practitioner's: no one touch mends them. */
const CHOICES = ['L22', 'L24', 'L25']
const wrongs = (steps: readonly Step[]) => lint(steps.map(read), true).filter((finding) => finding.level === 'wrong').map((finding) => (finding.id === 'L11' ? 'L11' : `${finding.id} ${finding.stepId}`))

describe('one touch mends', () => {
  test.each(BROKEN.filter(([id]) => !CHOICES.includes(id)))('%s: %s; nothing else breaks', (id, _what, steps) => {
    const finding = lint(steps.map(read), true).find((one) => one.id === id)!
    const mended = mend(finding, steps, DEMO_SHELF, read)!
    const after = lint(mended.map(read), true)
    expect(after.map((one) => `${one.id} ${one.stepId}`)).not.toContain(`${id} ${finding.stepId}`)
    expect(wrongs(mended).filter((one) => !wrongs(steps).includes(one))).toEqual([])
    expect(new Set(mended.map((step) => step.id)).size).toBe(mended.length)
  })
  test.each(BROKEN.filter(([id]) => CHOICES.includes(id)))('%s: %s is left to the person', (id, _what, steps) => {
    const finding = lint(steps.map(read), true).find((one) => one.id === id)!
    expect(mend(finding, steps, DEMO_SHELF, read)).toBeUndefined()
  })
  test('mending all that can be mended, one after another, comes to an end', () => {
    for (const [, , steps] of BROKEN) {
      let ladder: readonly Step[] = steps
      for (let round = 0; round < 30; round++) {
        const next = lint(ladder.map(read), true).filter((one) => one.level === 'wrong').map((one) => mend(one, ladder, DEMO_SHELF, read)).find((one) => one !== undefined)
        if (!next) break
        ladder = next
      }
      const left = lint(ladder.map(read), true).filter((one) => one.level === 'wrong' && mend(one, ladder, DEMO_SHELF, read))
      expect(left).toEqual([])
    }
  })
  test('an empty shelf mends nothing that needs a product, and says so by giving nothing', () => {
    const [, , steps] = BROKEN.find(([id]) => id === 'L11')!
    const finding = lint(steps.map(read), true).find((one) => one.id === 'L11')!
    expect(mend(finding, steps, { products: [], devices: [] }, read)).toBeUndefined()
    expect(mend({ id: 'L11', stepId: 'nobody' }, steps, DEMO_SHELF, read)).toBeUndefined()
  })
})
