import type { Concern, Fact } from '../core/client/model'
import type { SkinAnswer } from '../core/climb/model'
import type { Finding } from '../core/skin/model'

// Invented people of an invented studio on an invented island. Any likeness is chance.

export const SALON = { name: 'Saltgrass Studio', timeZone: 'Etc/UTC', currency: 'EUR', emergencyNumber: '112', address: '3 Ropewalk, Orrin Vey', turnoverMinutes: 10 }
export const ROOMS = ['Tideline', 'Dune'] as const
export const DEMO_PASSWORD = 'quiet-tide'

export const PEOPLE = [
  { name: 'Maren Oduya-Lind', email: 'maren@saltgrass.example', role: 'owner', practitioner: true },
  { name: 'Anneke Vask', email: 'anneke@saltgrass.example', role: 'practitioner', practitioner: true },
  { name: 'Ruben Hallow', email: 'ruben@saltgrass.example', role: 'practitioner', practitioner: true },
  { name: 'Tamsin Brae', email: 'tamsin@saltgrass.example', role: 'assistant', practitioner: false },
  { name: 'Joris Penhale', email: 'desk@saltgrass.example', role: 'front_desk', practitioner: false },
] as const

type Yes = Partial<Fact> & { code: string }
export interface DemoClient {
  readonly name: string
  readonly bornOn: string
  readonly concerns: readonly Concern[]
  readonly notes: readonly string[]
  /** Answers that are yes, or unknown; every other question was answered no. */
  readonly yes: readonly Yes[]
  readonly unknown?: readonly string[]
  readonly refused?: readonly string[]
  readonly findings: readonly Finding[]
  readonly protocol: string
  /** Skin answers of past visits, the oldest first. */
  readonly past: readonly (Partial<SkinAnswer>)[]
}

const seen = (kind: Finding['kind'], grade: number, zones: Finding['zones']): Finding => ({ kind, grade, zones })
const calm = {}

export const CLIENTS: readonly DemoClient[] = [
  { name: 'Wren Castellane', bornOn: '1988-05-14', concerns: ['brighten', 'hydrate'], notes: ['Likes it quiet'], yes: [], findings: [seen('congestion', 2, ['nose', 'chin'])], protocol: 'brightening', past: [calm, calm, { redness: 1, rednessHours: 3 }] },
  { name: 'Odalys Fenwick-Rao', bornOn: '1979-02-02', concerns: ['calm', 'hydrate'], notes: [], yes: [{ code: 'melasma' }, { code: 'phototype-iv-vi' }], findings: [seen('patchy-pigment', 2, ['cheek-left', 'cheek-right'])], protocol: 'set-mask', past: [calm, calm] },
  { name: 'Bastian Okoro', bornOn: '1995-09-30', concerns: ['clarify'], notes: ['Full beard'], yes: [{ code: 'facial-hair' }, { code: 'phototype-iv-vi' }], findings: [seen('inflamed', 2, ['chin']), seen('ingrown', 1, ['neck'])], protocol: 'clarifying', past: [calm, { stinging: 6 }, calm] },
  { name: 'Ingrid Solvay', bornOn: '1948-11-19', concerns: ['firm', 'hydrate'], notes: ['Pacemaker since 2019', 'Needs the bed raised slowly'], yes: [{ code: 'implant-electronic' }], findings: [seen('sensitive', 1, ['cheek-left', 'cheek-right'])], protocol: 'set-mask', past: [calm, calm, calm, calm] },
  { name: 'Pilar Nwosu', bornOn: '1991-07-08', concerns: ['hydrate', 'calm'], notes: ['Due in spring'], yes: [{ code: 'pregnancy' }], findings: [], protocol: 'brightening', past: [calm, calm] },
  { name: 'Theo Lindqvist', bornOn: '2009-04-21', concerns: ['clarify'], notes: ['School on weekdays until three'], yes: [], findings: [seen('inflamed', 2, ['cheek-left', 'cheek-right', 'chin']), seen('deep-lesion', 1, ['chin'])], protocol: 'clarifying', past: [calm, calm] },
  { name: 'Marguerite Abiola', bornOn: '1966-01-27', concerns: ['smooth', 'brighten'], notes: [], yes: [{ code: 'lash-extensions' }], findings: [seen('resilient', 1, ['forehead', 'nose', 'cheek-left', 'cheek-right', 'chin'])], protocol: 'acid', past: [calm, calm, calm, { redness: 3, rednessHours: 48, stinging: 7 }] },
  { name: 'Caspian Hurst', bornOn: '1983-12-05', concerns: ['calm'], notes: ['Uses a wheelchair: Tideline has the level door'], yes: [{ code: 'allergy:fragrance', reaction: 'rash' }], findings: [seen('flushing', 3, ['cheek-left', 'cheek-right']), seen('vessels', 1, ['nose'])], protocol: 'brightening', past: [calm, calm] },
  { name: 'Yuna Delacroix', bornOn: '1999-03-16', concerns: ['clarify', 'smooth'], notes: ['Needle-shy'], yes: [{ code: 'cold-sore-history' }], refused: ['kelp-set-mask'], findings: [seen('congestion', 3, ['nose', 'forehead', 'chin'])], protocol: 'acid', past: [calm, calm, calm] },
  { name: 'Hollis Marchetti', bornOn: '1972-08-11', concerns: ['brighten', 'firm'], notes: ['Gets uneasy under covers'], yes: [], unknown: ['metal', 'isotretinoin', 'photosensitiser-weak'], findings: [], protocol: 'clarifying', past: [calm, calm] },
]
