import { refDebounced, useDebounceFn, useLocalStorage, useRefHistory } from '@vueuse/core'
import type { Sketch } from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { ProtocolVersion, Step } from '#core/protocol'
import { call, refusalOf } from '~/support/api'

export interface CardState {
  name: string
  steps: Step[]
  methods: Record<string, string>
}
interface Draft extends CardState {
  basedOn: number
  savedAt: string
}
interface Opened {
  id: string
  name: string
  archived: boolean
  version: ProtocolVersion | null
  draft: Draft | null
  shelf: Shelf
}

const KEEP_AFTER_MS = 120
const SAVE_AFTER_MS = 600
const UNDO_DEPTH = 200
const asJson = (value: unknown) => JSON.stringify(value)

/** One protocol on the bench: what is written, its undo, its draft here and on the server, and the ladder as it stands. */
export function useCard(id: string) {
  const opened = shallowRef<Opened>()
  const trouble = ref('')
  // A value, replaced as a whole by every change: nothing inside it is watched, so forty rungs cost no more than four.
  const state = shallowRef<CardState>({ name: '', steps: [], methods: {} })
  const history = useRefHistory(state, { capacity: UNDO_DEPTH })
  const local = useLocalStorage<Draft | null>(`zen-card-${id}`, null, {
    shallow: true,
    serializer: { read: (raw) => JSON.parse(raw) as Draft | null, write: asJson },
  })
  const saved = ref<'same' | 'saving' | 'saved' | 'here'>('same')
  const sketched = shallowRef<Sketch>()
  const shelf = computed<Shelf>(() => opened.value?.shelf ?? { products: [], devices: [] })
  const published = computed<CardState>(() => ({
    name: opened.value?.version?.name ?? opened.value?.name ?? '',
    steps: opened.value?.version?.steps ?? [],
    methods: opened.value?.version?.methods ?? {},
  }))
  const changed = computed(
    () => opened.value !== undefined && asJson(state.value) !== asJson(published.value),
  )
  const basedOn = computed(() => opened.value?.version?.version ?? 0)

  async function load() {
    try {
      const reply = await call<Opened>(`/api/protocols/${id}`)
      opened.value = reply
      // What was typed on this tablet and never reached the server is newer than the server's draft.
      const drafts = [local.value, reply.draft]
        .flatMap((draft) => draft ?? [])
        .sort((a, b) => b.savedAt.localeCompare(a.savedAt))
      state.value = drafts[0]
        ? { name: drafts[0].name, steps: drafts[0].steps, methods: drafts[0].methods }
        : published.value
      await nextTick()
      history.clear()
      saved.value = changed.value ? 'saved' : 'same'
      if (changed.value && drafts[0] && drafts[0].basedOn < basedOn.value)
        trouble.value = `Version ${basedOn.value} was published after this draft was begun. Compare the two before you publish.`
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }

  let unsaved = ''
  const send = useDebounceFn(async () => {
    const draft = local.value
    try {
      if (draft)
        await call(`/api/protocols/${id}/draft`, {
          method: 'PUT',
          body: {
            basedOn: draft.basedOn,
            name: draft.name,
            steps: draft.steps,
            methods: draft.methods,
          },
        })
      else if (opened.value?.draft) await call(`/api/protocols/${id}/draft`, { method: 'DELETE' })
      if (asJson(draft) === asJson(local.value)) saved.value = draft ? 'saved' : 'same'
      // Only what saving itself had said: a refusal to publish stays until it is answered.
      if (trouble.value === unsaved) trouble.value = ''
    } catch (error) {
      saved.value = 'here'
      const { status, detail } = refusalOf(error)
      if (status !== 0) trouble.value = unsaved = detail
    }
  }, SAVE_AFTER_MS)

  /** The tablet has it a moment after the last change, the server a little later. */
  const keep = useDebounceFn(() => {
    const draft = changed.value
      ? { ...state.value, basedOn: basedOn.value, savedAt: new Date().toISOString() }
      : null
    if (
      asJson(draft && { ...draft, savedAt: '' }) ===
      asJson(local.value && { ...local.value, savedAt: '' })
    ) {
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

  let latest = 0
  const settled = refDebounced(state, 40)
  watch([settled, opened], async () => {
    if (!opened.value) return
    const mine = ++latest
    const found = await useFitter().sketch(state.value.steps, shelf.value)
    if (mine === latest) sketched.value = found
  })

  /** Every change goes through here: one step of undo each. */
  const put = (change: Partial<CardState>) => {
    state.value = { ...state.value, ...change }
  }

  async function publish(note: string): Promise<number | undefined> {
    try {
      const { version } = await call<{ version: number }>(`/api/protocols/${id}/versions`, {
        method: 'POST',
        body: { basedOn: basedOn.value, note, ...state.value },
      })
      local.value = null
      trouble.value = ''
      await load()
      return version
    } catch (error) {
      trouble.value = refusalOf(error).detail
      return undefined
    }
  }
  return {
    opened,
    trouble,
    state,
    history,
    shelf,
    sketched,
    changed,
    saved,
    basedOn,
    published,
    load,
    put,
    publish,
  }
}
export type CardOnBench = ReturnType<typeof useCard>
