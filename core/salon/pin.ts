/** Digits that follow each other, up or down, and come back to where they began. */
const ROUNDS = ['01234567890123456789', '98765432109876543210']

/**
 * Why a PIN is not taken, in a sentence; undefined where it is. Four to eight digits; one digit over and over, a count and a pair again and again
 * are among the first that somebody looking on would try (common practice, no source).
 */
export function pinRefusal(pin: string): string | undefined {
  if (!/^\d{4,8}$/.test(pin)) return 'A PIN is four to eight digits.'
  const isRow = ROUNDS.some((round) => round.includes(pin))
  const isPair = pin === pin.slice(0, 2).repeat(pin.length / 2)
  return isRow || isPair || new Set(pin).size === 1
    ? 'That PIN is among the first that anybody would try. Choose another.'
    : undefined
}
