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
  const locked = computed(() => data.value?.visit.stage === 'closed')
  let latest = 0

  async function refit() {
    if (!data.value) return
    const mine = ++latest
    const plan = await useFitter().fit(data.value.input)
    if (mine === latest) preview.value = plan
  }

  async function load(id: string) {
    if (data.value?.visit.id !== id) data.value = preview.value = undefined
    try {
      data.value = await $fetch<VisitData>(`/api/visits/${id}`)
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
  const at = (path: string) => `/api/visits/${data.value!.visit.id}/${path}`

  async function answer(facts: readonly Fact[]) {
    const { input } = data.value!
    data.value!.input = { ...input, client: { ...input.client, facts: [...input.client.facts, ...facts] } }
    const [saved] = await Promise.all([save(() => $fetch(at('facts'), { method: 'POST', body: { facts: facts.map((fact) => ({ id: crypto.randomUUID(), fact })) } })), refit()])
    return saved
  }
  async function read(reading: Reading) {
    data.value!.input = { ...data.value!.input, reading }
    await Promise.all([save(() => $fetch(at('reading'), { method: 'PUT', body: reading })), refit()])
  }
  async function keepAsWritten(ruleId: string, stepId: string, reason: string) {
    if (await save(() => $fetch(at('overrides'), { method: 'POST', body: { do: 'keep', ruleId, stepId, reason } }))) await load(data.value!.visit.id)
  }
  async function withdraw(ruleId: string, stepId: string) {
    if (await save(() => $fetch(at('overrides'), { method: 'POST', body: { do: 'withdraw', ruleId, stepId } }))) await load(data.value!.visit.id)
  }
  async function store(): Promise<boolean> {
    return save(async () => { data.value!.plan = await $fetch<StoredPlan>(at('plan'), { method: 'POST' }) })
  }
  async function tick(itemId: string, ticked: boolean) {
    const { ticks } = data.value!
    data.value!.ticks = ticked ? [...ticks, itemId] : ticks.filter((one) => one !== itemId)
    await save(() => $fetch(at('ticks'), { method: 'PUT', body: { itemId, ticked } }))
  }
  async function sign(skin: SkinAnswer | null, note: string): Promise<boolean> {
    const signed = await save(() => $fetch(at('close'), { method: 'POST', body: { answer: skin, note } }))
    if (signed) await load(data.value!.visit.id)
    return signed
  }
  return { data, preview, trouble, saving, locked, load, refit, answer, read, keepAsWritten, withdraw, store, tick, sign }
})
