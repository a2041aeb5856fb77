import { expect, it } from 'vitest'
import { Conflict, Fault, Forbidden, Infeasible, Invalid, NotFound, PROBLEM_CODES } from '.'

it('no code stands twice in the list, and each is a plain word or several', () => {
  expect(new Set(PROBLEM_CODES).size).toBe(PROBLEM_CODES.length)
  expect(PROBLEM_CODES.filter((code) => !/^[a-z]+(_[a-z]+)*$/.test(code))).toEqual([])
})
it.each([
  [Invalid, 'invalid', 'Invalid'],
  [NotFound, 'not-found', 'NotFound'],
  [Conflict, 'conflict', 'Conflict'],
  [Forbidden, 'forbidden', 'Forbidden'],
  [Infeasible, 'infeasible', 'Infeasible'],
])('a fault is one of a family, with its words, its code and its place', (Kind, kind, name) => {
  const fault = new Kind({ code: 'no_visit', detail: 'There is no such visit.', path: 'id' })
  expect(fault).toBeInstanceOf(Fault)
  expect(fault).toMatchObject({ kind, name, message: 'There is no such visit.' })
  expect(fault.problem).toEqual({ code: 'no_visit', detail: 'There is no such visit.', path: 'id' })
})
