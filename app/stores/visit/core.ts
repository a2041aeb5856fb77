import type { CompileInput, FittedPlan } from '#core/adapt'
import { call, refusalOf } from '~/support/api'
import type { VisitData } from '../visit-data'

type Method = 'POST' | 'PUT' | 'DELETE'

/** One visit as the server has it and as it is fitted here, and the two ways in which a change of it is saved. */
export function visitCore() {
  const data = ref<VisitData>()
  const preview = ref<FittedPlan>()
  const { trouble, attempt } = useAttempt()
  const outbox = useOutboxStore()
  const locked = computed(() => data.value?.visit.stage === 'closed')
  const refit = refitter(data, preview)
  const { load, edited } = loader({ data, preview, trouble, refit })
  const params = () => ({ id: data.value!.visit.id })
  const path = (rest: string) => `/api/visits/${data.value!.visit.id}/${rest}`

  const { saving, save } = saver(attempt, edited)
  const reload = () => load(data.value!.visit.id)
  /** Saves and, when that went well, takes what the server then has. */
  async function saveAndReload(work: () => Promise<unknown>): Promise<boolean> {
    const saved = await save(work)
    if (saved) await reload()
    return saved
  }
  /** Keeps a change on the tablet and sends it, now or when the network is back. What the server refuses is shown, and its own state again. */
  async function put(method: Method, rest: string, body: unknown): Promise<boolean> {
    const { id } = data.value!.visit
    edited()
    const refusal = await outbox.put({ method, path: path(rest), body })
    if (refusal) {
      await load(id)
      trouble.value = refusal.detail
    }
    return refusal === undefined
  }
  /** Changes what the fit is made from at once, sends the change, and fits again. */
  async function change(
    input: Partial<CompileInput>,
    ...sent: Parameters<typeof put>
  ): Promise<boolean> {
    data.value!.input = { ...data.value!.input, ...input }
    const [saved] = await Promise.all([put(...sent), refit()])
    return saved
  }
  return {
    ...{ data, preview, trouble, saving, locked, outbox },
    ...{ load, reload, refit, params, save, saveAndReload, put, change },
  }
}

export type VisitCore = ReturnType<typeof visitCore>

/** Fits what is known in the worker; only the newest answer is shown. */
function refitter(data: Ref<VisitData | undefined>, preview: Ref<FittedPlan | undefined>) {
  let latest = 0
  return async () => {
    if (!data.value) return
    const mine = ++latest
    const plan = await useFitter().fit(data.value.input)
    if (mine === latest) preview.value = plan
  }
}

/** Runs saves and counts those on their way; what was typed stays on screen when one fails, with the reason. */
function saver(attempt: ReturnType<typeof useAttempt>['attempt'], edited: () => void) {
  const saving = ref(0)
  async function save(work: () => Promise<unknown>): Promise<boolean> {
    saving.value++
    // What was asked for before or during a save may be older than what was saved: it is asked for again.
    edited()
    const done = await attempt(async () => {
      await work()
      return true
    })
    edited()
    saving.value--
    return done ?? false
  }
  return { saving, save }
}

interface Loading {
  readonly data: Ref<VisitData | undefined>
  readonly preview: Ref<FittedPlan | undefined>
  readonly trouble: Ref<string>
  readonly refit: () => Promise<void>
}

/** Takes a visit from the server; an answer given meanwhile is newer than what comes back. */
function loader({ data, preview, trouble, refit }: Loading) {
  const outbox = useOutboxStore()
  let edits = 0
  let loads = 0

  /** The visit as the server has it, with nothing on its way meanwhile: an answer given during the question asks again. */
  async function fetchSettled(id: string): Promise<VisitData> {
    for (;;) {
      const before = edits
      await outbox.flush()
      const fetched = await call('/api/visits/:id', { params: { id } })
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
  const edited = () => {
    edits++
  }
  return { load, edited }
}
