/** Half of a pair of code units, as a keyboard or a paste may leave it, is no character: nothing could ever take it. */
const wellFormed = (_key: string, value: unknown): unknown =>
  typeof value === 'string' ? value.toWellFormed() : value

/** Plain all through: what a screen hands over may be reactive, and neither a worker nor a database takes that. Its texts are whole characters. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value, wellFormed)) as T
