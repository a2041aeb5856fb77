import { defineStore } from 'pinia'
import type { CompileInput, FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'
import type { SkinAnswer } from '#core/climb'
import type { RunEvent } from '#core/perform'
import type { Reading } from '#core/skin'
import { refusalOf } from '~/support/api'

export interface VisitHead { id: string; clientId: string; client: string; room: string; roomId: string; practitioner: string; practitionerId: string; protocol: string; startsAt: string; endsAt: string; stage: 'booked' | 'open' | 'performing' | 'closed'; lockedAt: string | null; timeZone: string }
export interface StoredPlan { id: string; revision: number; plan: FittedPlan }
export interface Outcome { answer: SkinAnswer | null; levers: { lever: string; rung: number }[]; note: string; planned_s: number; actual_s: number | null; signed_at: string; signed_name: string }
export interface VisitData { visit: VisitHead; input: CompileInput; plan: StoredPlan | null; ticks: string[]; events: RunEvent[]; outcome: Outcome | null; next: { id: string; startsAt: string; protocol: string } | null; following: { startsAt: string } | null }

/** One visit and what today's ladder becomes with everything answered so far. Every change is saved as it is made. */
export const useVisitStore = defineStore('visit', () => {
  const data = ref<VisitData>()
  const preview = ref<FittedPlan>()
  const trouble = ref('')
  const saving = ref(0)
  const outbox = useOutboxStore()
  const locked = computed(() => data.value?.visit.stage === 'closed')
  let latest = 0
  let edits = 0
  let loads = 0

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
      const fetched = await $fetch<VisitData>(`/api/visits/${id}`)
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

  /** Runs one save; what was typed stays on screen when it fails, with the reason. */
  async function save(work: () => Promise<unknown>): Promise<boolean> {
    saving.value++
    try {
      await work()
      trouble.value = ''
      return true
    } catch (error) {
      trouble.value = refusalOf(error).detail
      return false
    } finally {
      saving.value--
    }
  }
  /** Keeps a change on the tablet and sends it, now or when the network is back. What the server refuses is shown, and its own state again. */
  async function put(method: 'POST' | 'PUT', path: string, body: unknown): Promise<boolean> {
    const { id } = data.value!.visit
    edits++
    const refusal = await outbox.put({ method, path: at(path), body })
    if (refusal) {
      await load(id)
      trouble.value = refusal.detail
    }
    return refusal === undefined
  }
  const at = (path: string) => `/api/visits/${data.value!.visit.id}/${path}`

  async function answer(facts: readonly Fact[]) {
    const { input } = data.value!
    data.value!.input = { ...input, client: { ...input.client, facts: [...input.client.facts, ...facts] } }
    const [saved] = await Promise.all([put('POST', 'facts', { facts: facts.map((fact) => ({ id: crypto.randomUUID(), fact })) }), refit()])
    return saved
  }
  async function read(reading: Reading) {
    data.value!.input = { ...data.value!.input, reading }
    await Promise.all([put('PUT', 'reading', reading), refit()])
  }
  async function keepAsWritten(ruleId: string, stepId: string, reason: string) {
    if (await save(() => $fetch(at('overrides'), { method: 'POST', body: { do: 'keep', ruleId, stepId, reason } }))) await load(data.value!.visit.id)
  }
  async function withdraw(ruleId: string, stepId: string) {
    if (await save(() => $fetch(at('overrides'), { method: 'POST', body: { do: 'withdraw', ruleId, stepId } }))) await load(data.value!.visit.id)
  }
  async function store(): Promise<boolean> {
    await outbox.flush()
    if (outbox.waiting > 0) {
      trouble.value = 'Not everything you answered has reached the server yet, so it cannot fit. It goes by itself when the network is back.'
      return false
    }
    return save(async () => { data.value!.plan = await $fetch<StoredPlan>(at('plan'), { method: 'POST' }) })
  }
  async function tick(itemId: string, ticked: boolean) {
    const { ticks } = data.value!
    data.value!.ticks = ticked ? [...ticks, itemId] : ticks.filter((one) => one !== itemId)
    await put('PUT', 'ticks', { itemId, ticked })
  }
  async function sign(skin: SkinAnswer | null, note: string): Promise<boolean> {
    const signed = await save(() => $fetch(at('close'), { method: 'POST', body: { answer: skin, note } }))
    if (signed) await load(data.value!.visit.id)
    return signed
  }
  return { data, preview, trouble, saving, locked, load, refit, answer, read, keepAsWritten, withdraw, store, tick, sign }
})
