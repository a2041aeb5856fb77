import { hasLadder, NO_PREP, type Prep, type SlotWish } from '#core/adapt'
import { restOfKit, usedBy } from '#core/costing'
import type { MapView, Reading } from '#core/skin'
import { call } from '~/support/api'
import { holdVisit } from '~/support/held-visits'
import type { Photo } from '../visit-data'
import type { VisitCore } from './core'

const newId = () => crypto.randomUUID()

/** What is read on the skin, and photographs of it. */
export function readingChanges({ data, change, params, saveAndReload }: VisitCore) {
  const read = (reading: Reading) => {
    const seen = data.value!.input.reading
    return change({ reading }, 'PUT', 'reading', { id: newId(), reading, seen })
  }
  function addPhoto(file: Blob, view: MapView, moment: Photo['moment'], light: string) {
    const form = new FormData()
    const fields = { id: newId(), view, moment, light }
    for (const [name, value] of Object.entries(fields)) form.append(name, value)
    form.append('photo', file)
    return saveAndReload(() =>
      call('/api/visits/:id/photos', { method: 'post', params: params(), body: form }),
    )
  }
  return { read, addPhoto }
}

/** Fits on this tablet, where the server cannot be reached: the ladder is kept as the visit's plan, and sent after what it was made from. */
function fitterHere({ data, put, trouble }: VisitCore) {
  return async (): Promise<boolean> => {
    const plan = await useFitter().fit(data.value!.input)
    if (!hasLadder(plan)) {
      trouble.value = plan.problems.join(' ')
      return false
    }
    const id = newId()
    const revision = (data.value!.plan?.revision ?? 0) + 1
    data.value!.plan = { id, revision, plan, faults: [] }
    return put('PUT', 'plan', { id, plan })
  }
}

/** What is decided on Fit: kept as written, the slot, and the plan that is stored. */
export function fitChanges(core: VisitCore) {
  const { data, outbox, change, params, tried, saveAndReload } = core
  const fitHere = fitterHere(core)
  const { account } = useSessionStore()
  function keepAsWritten(ruleId: string, stepId: string, reason: string) {
    const by = account?.name ?? ''
    const kept = { ruleId, stepId, reason, by, at: new Date().toISOString() }
    const overrides = [...others(ruleId, stepId), kept]
    const body = { do: 'keep', id: newId(), ruleId, stepId, reason }
    return change({ overrides }, 'POST', 'overrides', body)
  }
  const withdraw = (ruleId: string, stepId: string) =>
    change({ overrides: others(ruleId, stepId) }, 'POST', 'overrides', {
      do: 'withdraw',
      ruleId,
      stepId,
    })
  const others = (ruleId: string, stepId: string) =>
    data.value!.input.overrides.filter((one) => one.ruleId !== ruleId || one.stepId !== stepId)
  /** Another length, what must stay, whether spare time is given out: fitted at once, sent when it rests. */
  const slot = (fit: SlotWish) => {
    const seen = data.value!.input.fit ?? null
    return change({ fit }, 'PUT', 'fit', { ...fit, seen })
  }
  /** Another card for this visit. */
  const takeCard = (protocolId: string) =>
    saveAndReload(() =>
      call('/api/visits/:id/card', { method: 'put', params: params(), body: { protocolId } }),
    )
  /** The server's own fit is the plan; where it cannot be reached, the one made here. */
  async function store(): Promise<boolean> {
    await outbox.flush()
    if (outbox.waiting > 0) return fitHere()
    const done = await tried(async () => {
      data.value!.plan = await call('/api/visits/:id/plan', { method: 'post', params: params() })
      await holdVisit(data.value!)
    })
    return done === 'away' ? fitHere() : done
  }
  return { keepAsWritten, withdraw, slot, takeCard, store }
}

/** Sends what was decided at the tray, one after another. */
function preparer(core: VisitCore) {
  const { data, params, tried, put, outbox } = core
  const fitHere = fitterHere(core)
  let newest = 0
  /** What stood at the server before the first change that has not gone yet. */
  let seen: Prep | undefined
  let preparing: Promise<void> = Promise.resolve()

  /** The server fits again with what was decided; its plan is the one that counts. Where it cannot be reached, the one made here. */
  async function send(prep: Prep) {
    const body = { ...prep, seen }
    seen = undefined
    await outbox.flush()
    const done =
      outbox.waiting > 0
        ? 'away'
        : await tried(async () => {
            const sent = { method: 'put', params: params(), body } as const
            const { plan } = await call('/api/visits/:id/prep', sent)
            if (plan) data.value!.plan = plan
            await holdVisit(data.value!)
          })
    if (done === false) await core.reload()
    if (done !== 'away') return
    await put('PUT', 'prep', body)
    if (data.value!.plan) await fitHere()
  }
  async function prepare(prep: Prep) {
    const mine = ++newest
    seen ??= data.value!.input.prep ?? NO_PREP
    data.value!.input = { ...data.value!.input, prep }
    // One after another: each fit is a revision of its own. Only the newest is sent, when its turn comes.
    preparing = preparing.then(async () => {
      if (mine === newest && data.value) await send(prep)
    })
    await preparing
  }
  return prepare
}

/** What is decided while the tray is laid. */
export function prepareChanges(core: VisitCore) {
  const { data, put } = core
  const prepare = preparer(core)
  /** What the plan uses of a kit stays here, the rest is theirs for at home. */
  async function openKit(kitId: string): Promise<boolean> {
    const { kits, plan, input, openings } = data.value!
    const kit = kits.find(({ id }) => id === kitId)
    if (!kit) return false
    const used = (plan?.plan.steps ?? []).flatMap((step) => usedBy(step, input.shelf))
    const opening = { kitId, name: kit.name, openedOn: input.date, rest: restOfKit(kit, used) }
    data.value!.openings = [opening, ...openings]
    data.value!.kits = kits.map((one) => (one === kit ? { ...kit, stock: kit.stock - 1 } : one))
    return put('POST', 'kits', { id: newId(), kitId })
  }
  async function tick(itemId: string, ticked: boolean) {
    const { ticks } = data.value!
    data.value!.ticks = ticked ? [...ticks, itemId] : ticks.filter((id) => id !== itemId)
    await put('PUT', 'ticks', { itemId, ticked })
  }
  return { prepare, openKit, tick }
}
