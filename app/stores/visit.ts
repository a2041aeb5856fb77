import { defineStore } from 'pinia'
import type { CompileInput, FittedPlan, Prep, SlotWish } from '#core/adapt'
import type { Kit, Supply } from '#core/catalog'
import type { HomePart, Price, Rates } from '#core/costing'
import type { Clearance, Concern, Fact, PatchTest } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import type { RunEvent } from '#core/perform'
import type { MapView, Reading } from '#core/skin'
import { call, refusalOf } from '~/support/api'

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

/** One visit and what today's ladder becomes with everything answered so far. Every change is saved as it is made. */
export const useVisitStore = defineStore('visit', () => {
  const data = ref<VisitData>()
  const preview = ref<FittedPlan>()
  const { trouble, attempt } = useAttempt()
  const saving = ref(0)
  const outbox = useOutboxStore()
  const locked = computed(() => data.value?.visit.stage === 'closed')
  let latest = 0
  let edits = 0
  let loads = 0
  let prepared = 0
  let preparing: Promise<void> = Promise.resolve()

  async function refit() {
    if (!data.value) return
    const mine = ++latest
    const plan = await useFitter().fit(data.value.input)
    if (mine === latest) preview.value = plan
  }

  /** The visit as the server has it, with nothing on its way meanwhile: an answer given during the question asks again. */
  async function fetchSettled(id: string): Promise<VisitData> {
    for (;;) {
      const before = edits
      await outbox.flush()
      const fetched = await call<VisitData>(`/api/visits/${id}`)
      if (edits === before) return fetched
    }
  }

  async function load(id: string) {
    const mine = ++loads
    if (data.value?.visit.id !== id) data.value = preview.value = undefined
    try {
      const fetched = await fetchSettled(id)
      if (mine !== loads) return
      // What still waits on the tablet is newer than what the server knows.
      if (outbox.waiting === 0 || data.value?.visit.id !== id) data.value = fetched
      trouble.value = ''
      await refit()
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
  const reload = () => load(data.value!.visit.id)

  /** Runs one save; what was typed stays on screen when it fails, with the reason. */
  async function save(work: () => Promise<unknown>): Promise<boolean> {
    saving.value++
    const done = await attempt(async () => {
      await work()
      return true
    })
    saving.value--
    return done ?? false
  }
  const at = (path: string) => `/api/visits/${data.value!.visit.id}/${path}`

  /** Keeps a change on the tablet and sends it, now or when the network is back. What the server refuses is shown, and its own state again. */
  async function put(
    method: 'POST' | 'PUT' | 'DELETE',
    path: string,
    body: unknown,
  ): Promise<boolean> {
    const { id } = data.value!.visit
    edits++
    const refusal = await outbox.put({ method, path: at(path), body })
    if (refusal) {
      await load(id)
      trouble.value = refusal.detail
    }
    return refusal === undefined
  }
  /** Changes the client shown at once, sends the change, and fits again. */
  async function change(
    client: Partial<CompileInput['client']>,
    method: 'POST' | 'PUT',
    path: string,
    body: unknown,
  ): Promise<boolean> {
    const { input } = data.value!
    data.value!.input = { ...input, client: { ...input.client, ...client } }
    const [saved] = await Promise.all([put(method, path, body), refit()])
    return saved
  }
  const client = () => data.value!.input.client
  const newId = () => crypto.randomUUID()

  const answer = (facts: readonly Fact[]) =>
    change({ facts: [...client().facts, ...facts] }, 'POST', 'facts', {
      facts: facts.map((fact) => ({ id: newId(), fact })),
    })
  const rank = (concerns: Concern[]) => change({ concerns }, 'PUT', 'goals', { concerns })
  const clear = (clearance: Clearance) =>
    change({ clearances: [...client().clearances, clearance] }, 'POST', 'clearances', {
      id: newId(),
      clearance,
    })
  async function placeTest(test: PatchTest) {
    const id = newId()
    data.value!.patchTests = [...data.value!.patchTests, { ...test, id }]
    return change({ patchTests: [...client().patchTests, test] }, 'POST', 'patch-tests', {
      id,
      test,
    })
  }
  async function readTest(id: string, result: 'calm' | 'reacted', readOn: string) {
    data.value!.patchTests = data.value!.patchTests.map((one) =>
      one.id === id ? { ...one, result, readOn } : one,
    )
    return change(
      { patchTests: data.value!.patchTests.map(({ id: _id, ...test }) => test) },
      'PUT',
      `patch-tests/${id}`,
      { result, readOn },
    )
  }
  async function signConsent(
    text: ConsentText,
    signer: string,
    relation: Consent['relation'],
    signature: string,
  ) {
    const id = newId()
    const signedOn = data.value!.input.date
    data.value!.consents = [
      { ...text, id, signer, relation, signedOn, withdrawnOn: null, signature },
      ...data.value!.consents,
    ]
    const guardian: Fact[] =
      text.kind === 'guardian'
        ? [
            {
              code: 'guardian-consent',
              answer: 'yes',
              askedOn: signedOn,
              on: signedOn,
              note: signer,
            },
          ]
        : []
    return change({ facts: [...client().facts, ...guardian] }, 'POST', 'consents', {
      id,
      factId: newId(),
      textId: text.id,
      signer,
      relation,
      signedOn,
      signature,
    })
  }
  async function withdrawConsent(id: string) {
    if (await put('DELETE', `consents/${id}`, { on: data.value!.input.date, factId: newId() }))
      await reload()
  }
  async function read(reading: Reading) {
    data.value!.input = { ...data.value!.input, reading }
    await Promise.all([put('PUT', 'reading', { id: newId(), reading }), refit()])
  }
  const takeIntake = async (intake: unknown) => {
    if (await save(() => call(at('intake'), { method: 'POST', body: intake }))) await reload()
  }
  async function addPhoto(
    file: Blob,
    view: MapView,
    moment: Photo['moment'],
    light: string,
  ): Promise<boolean> {
    const form = new FormData()
    for (const [name, value] of Object.entries({ id: newId(), view, moment, light }))
      form.append(name, value)
    form.append('photo', file)
    const saved = await save(() => call(at('photos'), { method: 'POST', body: form }))
    if (saved) await reload()
    return saved
  }
  async function keepAsWritten(ruleId: string, stepId: string, reason: string) {
    if (
      await save(() =>
        call(at('overrides'), { method: 'POST', body: { do: 'keep', ruleId, stepId, reason } }),
      )
    )
      await reload()
  }
  async function withdraw(ruleId: string, stepId: string) {
    if (
      await save(() =>
        call(at('overrides'), { method: 'POST', body: { do: 'withdraw', ruleId, stepId } }),
      )
    )
      await reload()
  }
  /** Another length, what must stay, whether spare time is given out: fitted at once, sent when it rests. */
  async function slot(fit: SlotWish) {
    data.value!.input = { ...data.value!.input, fit }
    await Promise.all([put('PUT', 'fit', fit), refit()])
  }
  /** What is decided while the tray is laid. The server fits again with it; its plan is the one that counts. */
  async function prepare(prep: Prep) {
    const mine = ++prepared
    data.value!.input = { ...data.value!.input, prep }
    // One after another: each fit is a revision of its own. Only the newest is sent, when its turn comes.
    preparing = preparing.then(async () => {
      if (mine !== prepared || !data.value) return
      await save(async () => {
        const { plan } = await call<{ plan: StoredPlan | null }>(at('prep'), {
          method: 'PUT',
          body: prep,
        })
        if (plan) data.value!.plan = plan
      })
    })
    await preparing
  }
  async function openKit(kitId: string) {
    await save(async () => {
      const { openings } = await call<{ openings: KitOpening[] }>(at('kits'), {
        method: 'POST',
        body: { id: newId(), kitId },
      })
      data.value!.openings = openings
      data.value!.kits = data.value!.kits.map((kit) =>
        kit.id === kitId ? { ...kit, stock: kit.stock - 1 } : kit,
      )
    })
  }
  async function store(): Promise<boolean> {
    await outbox.flush()
    if (outbox.waiting > 0) {
      trouble.value =
        'Not everything you answered has reached the server yet, so it cannot fit. It goes by itself when the network is back.'
      return false
    }
    return save(async () => {
      data.value!.plan = await call<StoredPlan>(at('plan'), { method: 'POST' })
    })
  }
  async function tick(itemId: string, ticked: boolean) {
    const { ticks } = data.value!
    data.value!.ticks = ticked ? [...ticks, itemId] : ticks.filter((one) => one !== itemId)
    await put('PUT', 'ticks', { itemId, ticked })
  }
  /** `used`: what was really taken of each product; left out, what the plan takes. */
  async function sign(
    skin: SkinAnswer | null,
    note: string,
    used?: readonly { productId: string; amount: number }[],
  ): Promise<boolean> {
    const signed = await save(() =>
      call(at('close'), {
        method: 'POST',
        body: { answer: skin, note, ...(used ? { used } : {}) },
      }),
    )
    if (signed) await reload()
    return signed
  }
  async function checkIn(visitId: string, skin: SkinAnswer): Promise<boolean> {
    const saved = await save(() =>
      call(`/api/visits/${visitId}/check-in`, {
        method: 'POST',
        body: { askedOn: data.value!.input.date, answer: skin },
      }),
    )
    if (saved) await reload()
    return saved
  }
  return {
    data,
    preview,
    trouble,
    saving,
    locked,
    load,
    refit,
    answer,
    rank,
    clear,
    placeTest,
    readTest,
    signConsent,
    withdrawConsent,
    read,
    takeIntake,
    addPhoto,
    keepAsWritten,
    withdraw,
    slot,
    prepare,
    openKit,
    store,
    tick,
    sign,
    checkIn,
  }
})
