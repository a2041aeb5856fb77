import type { CompileInput, FittedPlan } from '#core/adapt'
import type { Kit, Supply } from '#core/catalog'
import type { PatchTest } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import type { HomePart, Price, Rates } from '#core/costing'
import type { RunEvent } from '#core/perform'
import type { MapView, Reading } from '#core/skin'

export interface VisitHead {
  id: string
  clientId: string
  client: string
  walkIn: boolean
  room: string
  roomId: string
  practitioner: string
  practitionerId: string
  protocol: string
  startsAt: string
  endsAt: string
  stage: 'booked' | 'open' | 'performing' | 'closed'
  lockedAt: string | null
  timeZone: string
}
export interface StoredPlan {
  id: string
  revision: number
  plan: FittedPlan
}
export interface Outcome {
  answer: SkinAnswer | null
  levers: { lever: string; rung: number }[]
  note: string
  planned_s: number
  actual_s: number | null
  signed_at: string
  signed_name: string
}
export type ConsentKind = 'treatment' | 'guardian' | 'photo-record' | 'photo-publish'
export interface ConsentText {
  id: string
  kind: ConsentKind
  version: number
  title: string
  body: string
}
export interface Consent extends ConsentText {
  signer: string
  relation: 'client' | 'guardian'
  signedOn: string
  withdrawnOn: string | null
  signature: string
}
export interface Photo {
  id: string
  visitId: string
  on: string
  view: MapView
  moment: 'start' | 'end'
  light: string
  takenAt: string
  width: number
  height: number
}
export interface VisitMoney {
  rates: Rates
  currency: string
  supplies: Supply[]
  price: Price
  addOns: Record<string, Price>
}
export interface KitOpening {
  kitId: string
  name: string
  openedOn: string
  rest: HomePart[]
}
export interface VisitUse {
  productId: string
  name: string
  lot: string
  amount: number
  unit: 'g' | 'mL'
}
export interface VisitData {
  visit: VisitHead
  input: CompileInput
  plan: StoredPlan | null
  ticks: string[]
  events: RunEvent[]
  outcome: Outcome | null
  next: { id: string; startsAt: string; protocol: string } | null
  following: { startsAt: string } | null
  patchTests: (PatchTest & { id: string })[]
  consents: Consent[]
  texts: ConsentText[]
  photos: Photo[]
  lastReading: { on: string; body: Reading } | null
  money: VisitMoney
  kits: Kit[]
  openings: KitOpening[]
  used: VisitUse[]
  lastVisit: { id: string; on: string; answer: SkinAnswer | null } | null
}
