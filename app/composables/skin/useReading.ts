import {
  suggestDecision,
  type FindingKind,
  type Lesion,
  type MapView,
  type Reading,
  type ZoneId,
} from '#core/skin'

const UNDO_DEPTH = 50

/** A reading while it is made: every change is told, and the last fifty can be taken back. */
export function useReading(reading: () => Reading, tell: (reading: Reading) => void) {
  const past = shallowRef<readonly Reading[]>([])
  const canUndo = computed(() => past.value.length > 0)
  function change(next: Reading) {
    past.value = [...past.value, reading()].slice(-UNDO_DEPTH)
    tell(next)
  }
  function undo() {
    const last = past.value.at(-1)
    if (!last) return
    past.value = past.value.slice(0, -1)
    tell(last)
  }
  const remove = (kind: FindingKind) =>
    change({
      ...reading(),
      findings: reading().findings.filter((finding) => finding.kind !== kind),
    })
  /** Pins a lesion, as the most usual kind until it is looked at; gives its id. */
  function pin(view: MapView, zone: ZoneId, x: number, y: number): string {
    const usual = { type: 'closed-comedone' as const, painful: false, deep: false, head: true }
    const { decision } = suggestDecision(usual)
    const lesion: Lesion = { id: crypto.randomUUID(), view, x, y, zone, ...usual, decision }
    change({ ...reading(), done: true, lesions: [...reading().lesions, lesion] })
    return lesion.id
  }
  return { canUndo, change, undo, remove, pin }
}
