declare module '#api-routes' {
  import type { ApiRoute } from './utils/routes'

  /** Every route of the interface but the one that answers for what is not there; written by the build. */
  export const API_ROUTES: readonly ApiRoute[]
}
