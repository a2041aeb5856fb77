/** A number made of an id, so that the simulated probe finds the same skin again. */
export const startOfSeed = (id: string): number =>
  Number.parseInt(id.replace(/[^0-9a-f]/g, '').slice(0, 7), 16) || 1
