import { z } from 'zod'
import { call, refusalOf, type Reply } from '~/support/api'
import { keptIn } from '~/support/kept'
import {
  emptyForm,
  missingOf,
  PARTS,
  toSend,
  type PartKey,
  type SetUpForm,
} from '~/support/set-up/form'

const KEPT = 'zen-set-up'
/** What was typed is here again after a reload, but for code and password. */
const Kept = z.custom<SetUpForm>((value) => typeof value === 'object' && value !== null)

function keep({ you, ...rest }: SetUpForm) {
  const kept = { ...rest, code: '', you: { ...you, password: '' } }
  sessionStorage.setItem(KEPT, JSON.stringify(kept))
}

/** The part that follows another; undefined after the last. */
const after = (key: PartKey): PartKey | undefined =>
  PARTS[PARTS.findIndex((part) => part.key === key) + 1]?.key

/** Set up: five parts, one of them open, and what came of sending them. */
export function useSetUp() {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone.replace(/^UTC$/, 'Etc/UTC')
  const form = ref<SetUpForm>({
    ...emptyForm(zone),
    ...keptIn(sessionStorage, KEPT, Kept),
  })
  const open = ref<PartKey>('you')
  const trouble = ref('')
  const weakness = ref<string>()
  const busy = ref(false)
  const kinds = ref<Reply<'/api/set-up'>>()
  const missing = computed(() => missingOf(form.value, weakness.value))

  watch(form, keep, { deep: true })

  async function load() {
    try {
      kinds.value = await call('/api/set-up')
    } catch (error) {
      const { code, detail } = refusalOf(error)
      if (code === 'set_up_done') return navigateTo('/sign-in')
      trouble.value = detail
    }
  }
  function goOn() {
    const next = after(open.value)
    if (next) open.value = next
  }
  async function found(enter: (body: ReturnType<typeof toSend>) => Promise<void>) {
    busy.value = true
    trouble.value = ''
    try {
      await enter(toSend(form.value))
      sessionStorage.removeItem(KEPT)
      await navigateTo(form.value.begin === 'files' ? '/begin' : '/')
    } catch (error) {
      const { detail, path } = refusalOf(error)
      trouble.value = detail
      if (path === 'code' || path?.startsWith('you')) open.value = 'you'
    } finally {
      busy.value = false
    }
  }
  return { form, open, trouble, weakness, busy, kinds, missing, load, goOn, found, after }
}
