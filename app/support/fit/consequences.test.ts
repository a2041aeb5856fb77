import { describe, expect, it } from 'vitest'
import { compile } from '#core/adapt'
import { client, input, yes } from '~~/tests/situations'
import { changesBecause } from './consequences'

const planOf = (...facts: ReturnType<typeof yes>[]) => compile(input({ client: client(facts) }))
const changed = (plan: ReturnType<typeof planOf>, code: string) =>
  changesBecause(plan, code).map(({ what }) => what)

describe('what an answer changes', () => {
  it('is found by its code, whatever words the reason has', () => {
    const plan = planOf(yes('allergy:pineapple'), yes('pregnancy'))
    expect(changed(plan, 'allergy:pineapple').join()).toContain('Rice Enzyme Powder')
    expect(changed(plan, 'pregnancy').join()).not.toContain('Rice Enzyme Powder')
    expect(changed(plan, 'allergy:papaya')).toEqual([])
  })
  it('is told apart where two answers lead to one question', () => {
    const plan = planOf(yes('medicine:tretinoin'))
    const own = changed(plan, 'medicine:tretinoin')
    expect(own.length).toBeGreaterThan(0)
    expect(changed(plan, 'retinoid-prescription')).toEqual([])
  })
  it('is nothing before anything is fitted', () => {
    expect(changesBecause(undefined, 'pregnancy')).toEqual([])
  })
})
