import type { RunBody, RunEvent } from '#core/perform'

type BodyOf<Type extends RunBody['type']> = Extract<RunBody, { type: Type }>

/** What is said while a visit runs so that the rest is fitted to it at once; one tap takes both back. */
export function useRefits({
  took,
  fitAgain,
}: Pick<ReturnType<typeof useTaps>, 'took'> & Pick<ReturnType<typeof useGate>, 'fitAgain'>) {
  const { titleOf, productOf } = useRunning()
  // What the server keeps is the newest fit: taken back, the rest is fitted once more, without that.
  const fittedTo = async (said: readonly RunBody[], words: string) =>
    took(await saidAndFitted(said, fitAgain), words, fitAgain)
  return {
    endBy: (said: readonly RunBody[]) => fittedTo(said, 'The end'),
    refuse: (said: BodyOf<'refused'>) =>
      fittedTo([said], `${productOf(said.stepId)?.name ?? titleOf(said.stepId)} refused`),
    call: (said: BodyOf<'called'>) => fittedTo([said], `${titleOf(said.stepId)} in another place`),
  }
}

/** Said, and the rest fitted to it. Gives what takes both back. */
async function saidAndFitted(
  bodies: readonly RunBody[],
  fitAgain: () => Promise<void>,
): Promise<string[]> {
  const store = useRunStore()
  const known = new Set(store.events.map(({ id }) => id))
  for (const body of bodies) await store.say(body)
  await fitAgain()
  const kinds = new Set([...bodies.map(({ type }) => type), 'replanned'])
  const isOurs = ({ id, body }: RunEvent) => !known.has(id) && kinds.has(body.type)
  return store.events.filter(isOurs).map(({ id }) => id)
}
