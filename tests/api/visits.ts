import { owner } from './people'
import { randomUUID } from 'node:crypto'
import type { CompileInput, FittedPlan } from '#core/adapt'
import type { Day } from './http'

export interface Visit {
  input: CompileInput
  consents: { id: string; kind: string; withdrawnOn: string | null; body: string }[]
  texts: { id: string; kind: string; version: number; body: string }[]
  photos: { id: string; width: number; height: number }[]
  patchTests: { id: string; result: string }[]
  visit: { walkIn: boolean }
}
export const visitOf = async (id: string) =>
  (await owner.ask<Visit>('GET', `/api/visits/${id}`)).body
export const today = async () => (await owner.ask<Day>('GET', '/api/day')).body.today
export const planOf = async (id: string) =>
  (await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)).body.plan
export const said = (code: string, answer: 'yes' | 'no' = 'yes', more: object = {}) => ({
  id: randomUUID(),
  fact: { code, answer, askedOn: '2026-11-24', ...more },
})
export const SIGNATURE =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 150" width="300" height="150"><path d="M 10.5,20.1 C 11,22 14,30 20,33" stroke-width="2.25" stroke="#24211c" fill="none" stroke-linecap="round"></path><circle cx="50" cy="60" r="1.5" fill="#24211c"></circle></svg>'
