import { z } from 'zod'
import { CALM_ANSWER, SkinAnswer } from '#core/climb/model'
import { keptIn } from '~/support/kept'

const Draft = z.object({ answer: SkinAnswer, note: z.string() })

interface Signed {
  readonly answer: SkinAnswer | null
  readonly note: string
}

/** What is typed before signing: it stays on this tablet until it is signed; afterwards what was signed is shown. */
export function useCloseDraft(
  visitId: () => string | undefined,
  signed: () => Signed | null | undefined,
  isLocked: () => boolean,
) {
  const answer = ref<SkinAnswer>({ ...CALM_ANSWER })
  const note = ref('')
  const key = () => `zen-close-${visitId()}`

  function show(draft: Signed | undefined) {
    if (!draft) return
    answer.value = draft.answer ?? { ...CALM_ANSWER }
    note.value = draft.note
  }
  watch(visitId, (id) => id && show(signed() ?? keptIn(localStorage, key(), Draft)), {
    immediate: true,
  })
  watch(
    [answer, note],
    () => {
      if (!visitId() || isLocked()) return
      const draft = { answer: answer.value, note: note.value }
      localStorage.setItem(key(), JSON.stringify(draft))
    },
    { deep: true },
  )
  const forget = () => localStorage.removeItem(key())
  return { answer, note, forget }
}
