import type { CardOnBench } from './useCard'

/** Switches of method: the ladder is rewritten by each, and what it did is said under it. */
export function useMethods(card: CardOnBench) {
  const said = ref<Record<string, readonly string[]>>({})
  const switching = ref(false)
  async function method(question: string, school: string) {
    const { steps, methods } = card.state.value
    switching.value = true
    const rewritten = await useFitter().rewrite(steps, question, school, card.shelf.value)
    switching.value = false
    said.value = { ...said.value, [question]: rewritten.says }
    if (rewritten.refused) return
    card.put({ steps: [...rewritten.steps], methods: { ...methods, [question]: school } })
  }
  return { said, switching, method }
}
