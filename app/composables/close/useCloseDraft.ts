import { z } from 'zod'
import { LeavingSkin } from '#core/climb/model'
import { dropDraft, keepDraft, keptDraft } from '~/support/held'

/** What is said before signing. Nothing is preset: what nobody looked at stays unsaid. */
const Draft = z.object({
  leaving: LeavingSkin.nullable().default(null),
  note: z.string(),
  /** For the next visit. */
  nextNote: z.string().default(''),
})
type Draft = z.infer<typeof Draft>

/** What is typed before signing: it stays on this tablet until it is signed; afterwards what was signed is shown. */
export function useCloseDraft(
  visitId: () => string | undefined,
  signed: () => Draft | undefined,
  isLocked: () => boolean,
) {
  const leaving = ref<Draft['leaving']>(null)
  const note = ref('')
  const nextNote = ref('')
  const key = () => `zen-close-${visitId()}`

  function show(draft: Draft | undefined) {
    if (!draft) return
    leaving.value = draft.leaving
    note.value = draft.note
    nextNote.value = draft.nextNote
  }
  const open = async (id: string | undefined) => {
    if (!id) return
    const draft = signed() ?? (await keptDraft(key(), Draft))
    if (visitId() === id) show(draft)
  }
  watch(visitId, open, { immediate: true })
  watch(
    [leaving, note, nextNote],
    () => {
      if (!visitId() || isLocked()) return
      const draft = { leaving: leaving.value, note: note.value, nextNote: nextNote.value }
      void keepDraft(key(), draft)
    },
    { deep: true },
  )
  const forget = () => dropDraft(key())
  return { leaving, note, nextNote, forget }
}
