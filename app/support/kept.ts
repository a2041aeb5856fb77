import type { z } from 'zod'

/**
 * What this tablet kept under a name, parsed; undefined when there is nothing, or nothing that can be read: kept by an older
 * version, half-written by a tablet that went off. Then the server is asked, or one begins anew.
 */
export function keptIn<T extends z.ZodType>(
  storage: Pick<Storage, 'getItem'>,
  name: string,
  model: T,
): z.infer<T> | undefined {
  const text = storage.getItem(name)
  return text === null ? undefined : readAs(text, model)
}

/** A text of JSON as a model; undefined when it is none. */
export function readAs<T extends z.ZodType>(text: string, model: T): z.infer<T> | undefined {
  try {
    return model.safeParse(JSON.parse(text)).data
  } catch (error) {
    if (error instanceof SyntaxError) return undefined
    throw error
  }
}
