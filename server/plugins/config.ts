import { useConfig } from '../utils/config'

/** A server that is not told all it needs says so when it starts, not at the first request. */
export default defineNitroPlugin(() => {
  useConfig()
})
