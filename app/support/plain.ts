/** Plain all through: what a screen hands over may be reactive, and neither a worker nor a database takes that. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
