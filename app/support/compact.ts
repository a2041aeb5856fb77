/** The fields an object may lack may also be said to be undefined. */
type Loose<T> = { [K in keyof T]: T[K] | undefined }

/** An object without its fields that are undefined. The fields a `T` needs must be there. */
export const compact = <T extends object>(thing: Loose<T>): T =>
  Object.fromEntries(Object.entries(thing).filter(([, value]) => value !== undefined)) as T
