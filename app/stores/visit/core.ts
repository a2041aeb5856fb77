import type { CompileInput, FittedPlan } from '#core/adapt'
import { call, mayRetry, refusalOf, type Refusal } from '~/support/api'
import { heldVisit, holdVisit } from '~/support/held-visits'
import type { Outgoing } from '~/support/outbox-db'
import { withKept } from '~/support/perform/with-kept'
import type { VisitData } from '../visit-data'

type Method = 'POST' | 'PUT' | 'DELETE'
/** What is sent, or how it is made with what of the visit waits before it. */
type Body = object | ((waiting: readonly Outgoing[]) => object)

/** One visit as the server has it and as it is fitted here, and the two ways in which a change of it is saved. */
export function visitCore() {
  const data = ref<VisitData>()
  const preview = ref<FittedPlan>()
  /** Since when what is shown was laid by on this tablet; undefined where the server has been asked. */
  const heldMs = ref<number>()
  const { trouble, attempt } = useAttempt()
  const outbox = useOutboxStore()
  const locked = computed(() => data.value?.visit.stage === 'closed')
  const refit = refitter(data, preview)
  const { load, edited } = loader({ data, preview, trouble, heldMs, refit })
  const params = () => ({ id: data.value!.visit.id })

  const reload = () => load(params().id)
  const saves = saver({ attempt, trouble, edited, reload })
  /**
   * Keeps a change on the tablet and sends it, now or when the network is back. What the server refuses is shown, and its own state again.
   * `of`: another visit of theirs.
   */
  async function put(method: Method, rest: string, body: Body, of = params().id): Promise<boolean> {
    const { id } = params()
    edited()
    const whole = typeof body === 'function' ? body(await outbox.waitsFor(of)) : body
    const sent = outbox.put({ method, path: `/api/visits/${of}/${rest}`, body: whole })
    const [refusal] = await Promise.all([sent, holdVisit(data.value!)])
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
    ...{ data, preview, heldMs, trouble, locked, outbox },
    ...{ load, reload, refit, params, put, change, ...saves },
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

interface Saving {
  readonly attempt: ReturnType<typeof useAttempt>['attempt']
  readonly trouble: Ref<string>
  readonly edited: () => void
  readonly reload: () => Promise<void>
}
/** Runs saves and counts those on their way; what was typed stays on screen when one fails, with the reason. */
function saver({ attempt, trouble, edited, reload }: Saving) {
  const saving = ref(0)
  async function counted<T>(work: () => Promise<T>): Promise<T> {
    saving.value++
    // What was asked for before or during a save may be older than what was saved: it is asked for again.
    edited()
    try {
      return await work()
    } finally {
      edited()
      saving.value--
    }
  }
  /** What only the server can do. */
  const save = (work: () => Promise<unknown>): Promise<boolean> =>
    counted(async () => (await attempt(() => work().then(() => true), needingServer)) ?? false)
  /** What the server does where it can: `away` where it cannot now, and it is done here. */
  const tried = (work: () => Promise<unknown>): Promise<boolean | 'away'> =>
    counted(() =>
      work().then(
        () => true,
        (error: unknown) => {
          const { status, detail } = refusalOf(error)
          if (mayRetry(status)) return 'away' as const
          trouble.value = detail
          return false
        },
      ),
    )
  /** Saves and, when that went well, takes what the server then has. */
  async function saveAndReload(work: () => Promise<unknown>): Promise<boolean> {
    const saved = await save(work)
    if (saved) await reload()
    return saved
  }
  return { saving, save, tried, saveAndReload }
}

const needingServer = ({ status, detail }: Refusal): string =>
  status === 0
    ? 'No connection: this needs the server, and nothing was changed. Do it when the network is back.'
    : detail

interface Loading {
  readonly data: Ref<VisitData | undefined>
  readonly preview: Ref<FittedPlan | undefined>
  readonly trouble: Ref<string>
  readonly heldMs: Ref<number | undefined>
  readonly refit: () => Promise<void>
}

/** Finds a visit: at the server, or as this tablet last had it. */
function finder({ data, heldMs }: Pick<Loading, 'data' | 'heldMs'>) {
  const outbox = useOutboxStore()
  let edits = 0
  const edited = () => {
    edits++
  }
  const isShown = (id: string): boolean => data.value?.visit.id === id

  /** The visit as the server has it, with nothing on its way meanwhile: an answer given during the question asks again. */
  async function fetchSettled(id: string): Promise<VisitData> {
    for (;;) {
      const before = edits
      await outbox.flush()
      const fetched = await call('/api/visits/:id', { params: { id } })
      if (edits === before) return fetched
    }
  }
  /** What the server has, unless something that was said here still waits: that is newer. Undefined: what is shown already. */
  async function newest(id: string): Promise<VisitData | undefined> {
    const fetched = await fetchSettled(id)
    heldMs.value = undefined
    if ((await outbox.waitsFor(id)).length === 0) {
      await holdVisit(fetched)
      return fetched
    }
    return isShown(id) ? undefined : ((await heldVisit(id))?.data ?? fetched)
  }
  async function asHeld(id: string, error: unknown): Promise<VisitData | undefined> {
    const held = mayRetry(refusalOf(error).status) ? await heldVisit(id) : undefined
    if (!held) throw error
    heldMs.value = held.atMs
    return isShown(id) ? undefined : held.data
  }
  const find = (id: string) => newest(id).catch((error: unknown) => asHeld(id, error))
  return { find, isShown, edited }
}

/** Loads a visit; an answer given meanwhile is newer than what comes back. */
function loader({ data, preview, trouble, heldMs, refit }: Loading) {
  const { find, isShown, edited } = finder({ data, heldMs })
  let loads = 0
  async function load(id: string) {
    const mine = ++loads
    if (!isShown(id)) data.value = preview.value = undefined
    /** Shows it with what was said here, as long as nothing newer was asked for. */
    const withLog = async (shown: VisitData | undefined) => {
      const whole = shown && (await withKept(shown))
      if (mine === loads) data.value = whole
    }
    try {
      // What was said here is told before the server has answered.
      await withLog(data.value)
      await withLog((await find(id)) ?? data.value)
      if (mine !== loads) return
      trouble.value = ''
      await refit()
    } catch (error) {
      if (mine === loads) trouble.value = refusalOf(error).detail
    }
  }
  return { load, edited }
}
