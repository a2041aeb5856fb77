import { anneke, owner } from './people'
import { randomUUID } from 'node:crypto'
import { make } from '../../demo/shelf/make'
import type { FittedPlan } from '#core/adapt'
import type { Batch, Listed, Product } from '#core/catalog'
import type { VisitUse } from '../../server/db/use.sql'
import { ALL_NO } from '../situations'
import { book, dayOf, withDatabase } from './http'

export const newId = (word: string) => `${word}-${randomUUID().slice(0, 8)}`
export const product = (id: string, more: Partial<Product> = {}): Product =>
  make({ id, name: `Product ${id}`, kind: 'gel', uses: [], stock: 0, ...more })
export const one = (id: string) =>
  anneke.ask<{ product: Product; batches: Batch[]; changedAt: string }>(
    'GET',
    `/api/shelf/products/${id}`,
  )
export const shelf = async () =>
  (await anneke.ask<{ products: Listed[]; today: string }>('GET', '/api/shelf')).body
export const batch = (id: string, left: number, more: Partial<Batch> = {}): Batch => ({
  id,
  lot: id.toUpperCase(),
  receivedOn: '2026-01-02',
  left,
  ...more,
})

export interface Fitted {
  plan: FittedPlan
}
export async function fittedVisit(protocol: string): Promise<string> {
  const client = `Invented ${randomUUID().slice(0, 8)}`
  await withDatabase((db) =>
    db.query(
      `INSERT INTO client (id, salon_id, name, born_on, concerns)
        VALUES (gen_random_uuid(), current_salon(), $1, '1985-06-15', '{hydrate,calm}')`,
      [client],
    ),
  )
  const id = await book(owner, client, protocol)
  const askedOn = await dayOf(owner, id)
  await owner.ask('POST', `/api/visits/${id}/facts`, {
    facts: ALL_NO.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn } })),
  })
  await owner.ask('PUT', `/api/visits/${id}/reading`, {
    id: randomUUID(),
    reading: { done: true, findings: [], lesions: [], meters: [] },
  })
  await owner.ask('POST', `/api/visits/${id}/plan`)
  return id
}
export const visitOf = async (id: string) =>
  (
    await owner.ask<{ plan: Fitted; used: VisitUse[]; input: { prep?: unknown } }>(
      'GET',
      `/api/visits/${id}`,
    )
  ).body
