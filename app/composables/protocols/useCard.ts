import type { ComputedRef, ShallowRef } from 'vue'
import { refDebounced, useDebounceFn, useLocalStorage, useRefHistory } from '@vueuse/core'
import { z } from 'zod'
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { Course, Step } from '#core/protocol'
import { Course as CourseModel, Step as StepModel } from '#core/protocol/model'
import { call, refusalOf, type Reply } from '~/support/api'
import { readAs } from '~/support/kept'

export interface CardState {
  name: string
  steps: Step[]
  methods: Record<string, string>
  course: Course | null
}
const Draft = z.object({
  name: z.string(),
  steps: z.array(StepModel),
  methods: z.record(z.string(), z.string()),
  course: CourseModel.nullable().default(null),
  basedOn: z.number(),
  savedAt: z.string(),
})
type Draft = z.infer<typeof Draft>
type Opened = Reply<'/api/protocols/:id'>

const KEEP_AFTER_MS = 120
const SAVE_AFTER_MS = 600
const SKETCH_AFTER_MS = 40
const UNDO_DEPTH = 200
const asJson = (value: unknown) => JSON.stringify(value)

const keptOf = ({ name, steps, methods, course }: CardState): CardState => ({
  name,
  steps,
  methods,
  course,
})

/** What is published: the card without a draft. */
function publishedOf(opened: Opened | undefined): CardState {
  if (!opened?.version) return { name: opened?.name ?? '', steps: [], methods: {}, course: null }
  const { name, steps, methods, course } = opened.version
  return { name, steps, methods: methods ?? {}, course: course ?? null }
}

interface Bench {
  readonly id: string
  readonly opened: ShallowRef<Opened | undefined>
  readonly state: ShallowRef<CardState>
  readonly trouble: Ref<string>
  readonly changed: ComputedRef<boolean>
  readonly basedOn: ComputedRef<number>
}

/** Keeps what is written: on the tablet a moment after the last change, on the server a little later. */
function useDraft({ id, opened, state, trouble, changed, basedOn }: Bench) {
  const local = useLocalStorage<Draft | null>(`zen-card-${id}`, null, {
    shallow: true,
    serializer: { read: (raw) => readAs(raw, Draft) ?? null, write: asJson },
  })
  const saved = ref<'same' | 'saving' | 'saved' | 'here'>('same')
  let unsaved = ''
  async function sendDraft(draft: Draft | null) {
    const params = { id }
    if (draft) {
      const body = { basedOn: draft.basedOn, ...keptOf(draft) }
      await call('/api/protocols/:id/draft', { method: 'put', params, body })
    } else if (opened.value?.draft)
      await call('/api/protocols/:id/draft', { method: 'delete', params })
  }
  const send = useDebounceFn(async () => {
    const draft = local.value
    try {
      await sendDraft(draft)
      if (asJson(draft) === asJson(local.value)) saved.value = draft ? 'saved' : 'same'
      // Only what saving itself had said: a refusal to publish stays until it is answered.
      if (trouble.value === unsaved) trouble.value = ''
    } catch (error) {
      saved.value = 'here'
      const { status, detail } = refusalOf(error)
      if (status !== 0) trouble.value = unsaved = detail
    }
  }, SAVE_AFTER_MS)
  const undated = (draft: Draft | null) => asJson(draft && { ...draft, savedAt: '' })
  const keep = useDebounceFn(() => {
    const draft = changed.value
      ? { ...state.value, basedOn: basedOn.value, savedAt: new Date().toISOString() }
      : null
    if (undated(draft) === undated(local.value)) {
      saved.value = draft ? 'saved' : 'same'
      return
    }
    local.value = draft
    void send()
  }, KEEP_AFTER_MS)
  watch(state, () => {
    if (!opened.value) return
    saved.value = 'saving'
    void keep()
  })
  return { local, saved }
}

/** The ladder as it stands, drawn anew a moment after every change; only the latest drawing counts. */
function useSketched({ opened, state }: Pick<Bench, 'opened' | 'state'>, shelf: Ref<Shelf>) {
  const sketched = shallowRef<Sketch>()
  let latest = 0
  const settled = refDebounced(state, SKETCH_AFTER_MS)
  watch([settled, opened], async () => {
    if (!opened.value) return
    const mine = ++latest
    const { steps, course } = state.value
    const found = await useFitter().sketch(steps, shelf.value, course)
    if (mine === latest) sketched.value = found
  })
  return sketched
}

/** One protocol on the bench: what is written, its undo, its draft here and on the server, and the ladder as it stands. */
export function useCard(id: string) {
  const opened = shallowRef<Opened>()
  const { trouble, attempt } = useAttempt()
  // A value, replaced as a whole by every change: nothing inside it is watched, so forty rungs cost no more than four.
  const state = shallowRef<CardState>({ name: '', steps: [], methods: {}, course: null })
  const history = useRefHistory(state, { capacity: UNDO_DEPTH })
  const shelf = computed<Shelf>(() => opened.value?.shelf ?? { products: [], devices: [] })
  const published = computed(() => publishedOf(opened.value))
  const isWritten = () => asJson(state.value) !== asJson(published.value)
  const changed = computed(() => opened.value !== undefined && isWritten())
  const basedOn = computed(() => opened.value?.version?.version ?? 0)
  const { local, saved } = useDraft({ id, opened, state, trouble, changed, basedOn })
  const sketched = useSketched({ opened, state }, shelf)

  async function open() {
    const reply = await call('/api/protocols/:id', { params: { id } })
    opened.value = reply
    // What was typed on this tablet and never reached the server is newer than the server's draft.
    const [newest] = [local.value, reply.draft]
      .flatMap((draft) => draft ?? [])
      .sort((a, b) => b.savedAt.localeCompare(a.savedAt))
    state.value = newest ? keptOf(newest) : published.value
    await nextTick()
    history.clear()
    saved.value = changed.value ? 'saved' : 'same'
    return newest
  }
  const load = async () => {
    const draft = await attempt(open)
    if (changed.value && draft && draft.basedOn < basedOn.value)
      trouble.value = `Version ${basedOn.value} was published after this draft was begun. Compare the two before you publish.`
  }
  /** Every change goes through here: one step of undo each. */
  const put = (change: Partial<CardState>) => {
    state.value = { ...state.value, ...change }
  }
  /** The number of the version that is now published, or undefined with the reason in `trouble`. */
  async function publish(note: string): Promise<number | undefined> {
    const body = { basedOn: basedOn.value, note, ...state.value }
    const reply = await attempt(() =>
      call('/api/protocols/:id/versions', { method: 'post', params: { id }, body }),
    )
    if (!reply) return undefined
    local.value = null
    await load()
    return reply.version
  }
  const shown = { opened, state, history, shelf, sketched }
  return { ...shown, trouble, changed, saved, basedOn, published, load, put, publish }
}
export type CardOnBench = ReturnType<typeof useCard>
