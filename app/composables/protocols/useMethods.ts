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
  /** Every switch on which the house has decided and the card says otherwise, in one change that undo takes back. */
  async function houseWay(house: Readonly<Record<string, string>>) {
    const { methods: before } = card.state.value
    let { steps, methods } = card.state.value
    switching.value = true
    for (const [question, school] of Object.entries(house)) {
      if (before[question] === school) continue
      const rewritten = await useFitter().rewrite(steps, question, school, card.shelf.value)
      said.value = { ...said.value, [question]: rewritten.says }
      if (rewritten.refused) continue
      steps = [...rewritten.steps]
      methods = { ...methods, [question]: school }
    }
    switching.value = false
    card.put({ steps, methods })
  }
  return { said, switching, method, houseWay }
}
