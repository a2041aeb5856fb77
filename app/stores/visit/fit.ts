import type { Prep, SlotWish } from '#core/adapt'
import type { MapView, Reading } from '#core/skin'
import { call } from '~/support/api'
import type { Photo } from '../visit-data'
import type { VisitCore } from './core'

const newId = () => crypto.randomUUID()

/** What is read on the skin, and photographs of it. */
export function readingChanges({ change, params, saveAndReload }: VisitCore) {
  const read = (reading: Reading) => change({ reading }, 'PUT', 'reading', { id: newId(), reading })
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

/** What is decided on Fit: kept as written, the slot, and the plan that is stored. */
export function fitChanges({
  data,
  trouble,
  outbox,
  change,
  params,
  save,
  saveAndReload,
}: VisitCore) {
  const override = (body: object) =>
    saveAndReload(() =>
      call('/api/visits/:id/overrides', { method: 'post', params: params(), body }),
    )
  const keepAsWritten = (ruleId: string, stepId: string, reason: string) =>
    override({ do: 'keep', ruleId, stepId, reason })
  const withdraw = (ruleId: string, stepId: string) => override({ do: 'withdraw', ruleId, stepId })
  /** Another length, what must stay, whether spare time is given out: fitted at once, sent when it rests. */
  const slot = (fit: SlotWish) => change({ fit }, 'PUT', 'fit', fit)
  /** Another card for this visit. */
  const takeCard = (protocolId: string) =>
    saveAndReload(() =>
      call('/api/visits/:id/card', { method: 'put', params: params(), body: { protocolId } }),
    )
  async function store(): Promise<boolean> {
    await outbox.flush()
    if (outbox.waiting > 0) {
      trouble.value =
        'Not everything you answered has reached the server yet, so it cannot fit. It goes by itself when the network is back.'
      return false
    }
    return save(async () => {
      data.value!.plan = await call('/api/visits/:id/plan', { method: 'post', params: params() })
    })
  }
  return { keepAsWritten, withdraw, slot, takeCard, store }
}

/** What is decided while the tray is laid. */
export function prepareChanges({ data, params, save, put }: VisitCore) {
  let newest = 0
  let preparing: Promise<void> = Promise.resolve()

  /** The server fits again with what was decided; its plan is the one that counts. */
  async function send(prep: Prep) {
    const sent = { method: 'put', params: params(), body: prep } as const
    const { plan } = await call('/api/visits/:id/prep', sent)
    if (plan) data.value!.plan = plan
  }
  async function prepare(prep: Prep) {
    const mine = ++newest
    data.value!.input = { ...data.value!.input, prep }
    // One after another: each fit is a revision of its own. Only the newest is sent, when its turn comes.
    preparing = preparing.then(async () => {
      if (mine === newest && data.value) await save(() => send(prep))
    })
    await preparing
  }
  const openKit = (kitId: string) =>
    save(async () => {
      const body = { id: newId(), kitId }
      const reply = await call('/api/visits/:id/kits', { method: 'post', params: params(), body })
      data.value!.openings = reply.openings
      data.value!.kits = data.value!.kits.map((kit) =>
        kit.id === kitId ? { ...kit, stock: kit.stock - 1 } : kit,
      )
    })
  async function tick(itemId: string, ticked: boolean) {
    const { ticks } = data.value!
    data.value!.ticks = ticked ? [...ticks, itemId] : ticks.filter((id) => id !== itemId)
    await put('PUT', 'ticks', { itemId, ticked })
  }
  return { prepare, openKit, tick }
}
