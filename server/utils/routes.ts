/** One route of the interface: its pattern, as in `/api/visits/:id`, and its method, as in `get`. */
export interface ApiRoute {
  readonly route: string
  readonly method: string
}

/** True where every part of a path answers the pattern; a part that begins with a colon is any. */
function isAt(pattern: string, path: string): boolean {
  const [wanted, given] = [pattern.split('/'), path.split('/')]
  return (
    wanted.length === given.length &&
    wanted.every((part, at) => (part.startsWith(':') ? given[at] !== '' : part === given[at]))
  )
}

/** The methods a path answers, in capitals and in order; none where nothing is there. */
export const methodsAt = (routes: readonly ApiRoute[], path: string): string[] =>
  [
    ...new Set(
      routes.filter(({ route }) => isAt(route, path)).map(({ method }) => method.toUpperCase()),
    ),
  ].sort()
