import { describe, expect, test } from 'vitest'
import { BROKEN, read } from '../../tests/wrong-orders'
import { SHELF } from '../../tests/fixtures'
import { lint, type Step } from '../protocol'
import { mend } from '.'

const wrongs = (steps: readonly Step[]) =>
  lint(steps.map(read), true)
    .filter((finding) => finding.level === 'wrong')
    .map((finding) => (finding.id === 'L11' ? 'L11' : `${finding.id} ${finding.stepId}`))

describe('one touch mends', () => {
  test.each(BROKEN)('%s: %s; nothing else breaks', (id, _what, steps) => {
    const finding = lint(steps.map(read), true).find((finding) => finding.id === id)!
    const mended = mend(finding, steps, SHELF, read)!
    const after = lint(mended.map(read), true)
    expect(after.map((one) => `${one.id} ${one.stepId}`)).not.toContain(`${id} ${finding.stepId}`)
    expect(wrongs(mended).filter((wrong) => !wrongs(steps).includes(wrong))).toEqual([])
    expect(new Set(mended.map((step) => step.id)).size).toBe(mended.length)
  })
  test('what opens the skin stays and the peel goes to another visit; a cream that may not go on open skin gives way', () => {
    const needles = BROKEN.find(([id]) => id === 'L24')![2]
    expect(
      mend({ id: 'L24', stepId: 'needles' }, needles, SHELF, read)!.map((step) => step.id),
    ).toEqual(['needles'])
    const cream = BROKEN.find(([id]) => id === 'L25')![2]
    expect(
      mend({ id: 'L25', stepId: 'needles' }, cream, SHELF, read)!.map(
        (step) => step.product?.productId,
      ),
    ).not.toContain('dune-cream')
    const hung = BROKEN.find(([id]) => id === 'L22')![2]
    expect(mend({ id: 'L22', stepId: 'lips' }, hung, SHELF, read)![0]!.floating).toBeUndefined()
  })
  test('mending all that can be mended, one after another, comes to an end', () => {
    for (const [, , steps] of BROKEN) {
      let ladder: readonly Step[] = steps
      for (let round = 0; round < 30; round++) {
        const next = lint(ladder.map(read), true)
          .filter((finding) => finding.level === 'wrong')
          .map((finding) => mend(finding, ladder, SHELF, read))
          .find((one) => one !== undefined)
        if (!next) break
        ladder = next
      }
      const left = lint(ladder.map(read), true).filter(
        (finding) => finding.level === 'wrong' && mend(finding, ladder, SHELF, read),
      )
      expect(left).toEqual([])
    }
  })
  test('an empty shelf mends nothing that needs a product, and says so by giving nothing', () => {
    const [, , steps] = BROKEN.find(([id]) => id === 'L11')!
    const finding = lint(steps.map(read), true).find((finding) => finding.id === 'L11')!
    expect(mend(finding, steps, { products: [], devices: [] }, read)).toBeUndefined()
    expect(mend({ id: 'L11', stepId: 'nobody' }, steps, SHELF, read)).toBeUndefined()
  })
})
