import { z } from 'zod'
import { CALM_ANSWER, SkinAnswer } from '#core/climb/model'
import { dropDraft, keepDraft, keptDraft } from '~/support/held'

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
  const open = async (id: string | undefined) => {
    if (!id) return
    const draft = signed() ?? (await keptDraft(key(), Draft))
    if (visitId() === id) show(draft)
  }
  watch(visitId, open, { immediate: true })
  watch(
    [answer, note],
    () => {
      if (!visitId() || isLocked()) return
      const draft = { answer: answer.value, note: note.value }
      void keepDraft(key(), draft)
    },
    { deep: true },
  )
  const forget = () => dropDraft(key())
  return { answer, note, forget }
}
