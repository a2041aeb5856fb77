// The Zod models of this folder, for edges that parse: the computation needs only their types.
export { RunBody, RunEvent } from './events'
