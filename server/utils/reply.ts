import type { H3Event } from 'h3'

/** Tells that something was made: 201, with its id and what else the asker needs of it. */
export function created<Made extends { readonly id: string }>(event: H3Event, made: Made): Made {
  setResponseStatus(event, 201)
  return made
}
