import type { Step } from './model'

/** An id no other step has: the name itself, then with a number. */
export function freshId(steps: readonly Pick<Step, 'id'>[], id: string): string {
  const taken = new Set(steps.map((step) => step.id))
  for (let n = 1; ; n++) {
    const name = n === 1 ? id : `${id}-${n}`
    if (!taken.has(name)) return name
  }
}

/** Ids that go when these go: their group, and what closes them. */
export function goneWith(steps: readonly Step[], first: ReadonlySet<string>): Set<string> {
  const gone = new Set(first)
  for (let before = -1; before !== gone.size;) {
    before = gone.size
    const groups = new Set(
      steps.flatMap((step) => (gone.has(step.id) && step.group ? [step.group] : [])),
    )
    for (const step of steps)
      if ((step.closes && gone.has(step.closes)) || (step.group && groups.has(step.group)))
        gone.add(step.id)
  }
  return gone
}
