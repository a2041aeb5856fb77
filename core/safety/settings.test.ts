import { situationOf, TODAY } from '../../tests/situations'
import { describe, expect, test } from 'vitest'
import { needsGuardian, type Fact } from '../client'
import {
  constrain,
  NO_SETTINGS,
  RULE_BOOK,
  ruleById,
  windowOf,
  withSettings,
  type RuleSettings,
} from '.'

describe('what a salon may set', () => {
  const inForce = (settings: RuleSettings, facts_: readonly Fact[]) =>
    constrain(withSettings(RULE_BOOK, settings), situationOf(facts_, [])).inForce.map(
      (constraint) => constraint.ruleId,
    )
  const peel = (on: string): Fact => ({ code: 'peel-light', answer: 'yes', askedOn: TODAY, on })
  test('a window may be longer, and never shorter than its floor', () => {
    expect(inForce(NO_SETTINGS, [peel('2026-11-05')])).not.toContain('A16a')
    expect(inForce({ adviceOff: [], windowDays: { A16a: 21 } }, [peel('2026-11-05')])).toContain(
      'A16a',
    )
    expect(inForce({ adviceOff: [], windowDays: { A16a: 3 } }, [peel('2026-11-12')])).toContain(
      'A16a',
    )
    expect(
      inForce({ adviceOff: [], windowDays: { A07: 3 } }, [
        { code: 'retinoid-prescription', answer: 'yes', askedOn: TODAY, on: '2026-11-20' },
      ]),
    ).not.toContain('A07')
    expect(
      inForce({ adviceOff: [], windowDays: { A07: 1 } }, [
        { code: 'retinoid-prescription', answer: 'yes', askedOn: TODAY, on: '2026-11-21' },
      ]),
    ).toContain('A07')
  })
  test('advice may be switched off, nothing else', () => {
    const off = withSettings(RULE_BOOK, {
      adviceOff: RULE_BOOK.map((rule) => rule.id),
      windowDays: {},
    })
    const missing = RULE_BOOK.filter((rule) => !off.some((one) => one.id === rule.id))
    expect(missing.map((rule) => rule.id).sort()).toEqual(['B04', 'C16d', 'H09'])
  })
  test('of age where the salon is: asked of who is younger, by day of birth, and of nobody else', () => {
    // 24 November 2026 is the day of the visit: 17 until the day before the eighteenth birthday.
    const born = (bornOn: string, majority?: number) => {
      const situation = { ...situationOf([], []), majority }
      const client_ = { ...situation.client, bornOn }
      const { inForce, notChecked } = constrain(RULE_BOOK, { ...situation, client: client_ })
      const asks = inForce.map(({ ruleId }) => ruleId).includes('A23')
      expect(notChecked.some((ask) => ask.includes('guardian'))).toBe(asks)
      expect(needsGuardian(client_, TODAY, majority)).toBe(asks)
      return asks
    }
    expect(born('2008-11-24')).toBe(false)
    expect(born('2008-11-25')).toBe(true)
    expect(born('2008-11-25', 17)).toBe(false)
    expect(born('2010-11-24', 16)).toBe(false)
    expect(born('2010-11-25', 16)).toBe(true)
    expect(born('2006-11-24', 21)).toBe(true)
    expect(born('2005-11-24', 21)).toBe(false)
  })
  test('the guardian stays only where the salon asks it, and only beside a minor', () => {
    const stays = (bornOn: string, guardianStays?: boolean) => {
      const situation = { ...situationOf([], []), guardianStays }
      const { inForce } = constrain(RULE_BOOK, {
        ...situation,
        client: { ...situation.client, bornOn },
      })
      return inForce.some(({ ruleId }) => ruleId === 'A23p')
    }
    expect([stays('2010-01-01'), stays('2010-01-01', false)]).toEqual([false, false])
    expect([stays('2010-01-01', true), stays('1990-01-01', true)]).toEqual([true, false])
  })
  test('windows with their floors', () => {
    expect(windowOf(ruleById('A06'))).toEqual({ days: 183, floor: 183 })
    expect(windowOf(ruleById('A07'))).toEqual({ days: 5, floor: 3 })
    expect(windowOf(ruleById('A01'))).toBeUndefined()
    expect(() => ruleById('Z99')).toThrow('no rule Z99')
  })
})
