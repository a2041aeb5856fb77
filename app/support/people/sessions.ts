import { formatDistanceStrict } from 'date-fns'

const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
]
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'an iPad'],
  [/iPhone/, 'an iPhone'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'a Mac'],
  [/Linux/, 'Linux'],
]
const firstOf = (list: readonly (readonly [RegExp, string])[], agent: string) =>
  list.find(([pattern]) => pattern.test(agent))?.[1]

/** What a browser says of itself, in words: Firefox on Windows. */
export function browserInWords(agent: string): string {
  const [browser, system] = [firstOf(BROWSERS, agent), firstOf(SYSTEMS, agent)]
  if (!browser && !system) return 'A browser'
  return [browser ?? 'A browser', system].filter(Boolean).join(' on ')
}

const MINUTE_MS = 60_000
/** How long ago an instant was: just now, 5 minutes ago. */
export function sinceInWords(at: string | Date, now: Date): string {
  const then = new Date(at)
  return now.getTime() - then.getTime() < 2 * MINUTE_MS
    ? 'just now'
    : `${formatDistanceStrict(then, now)} ago`
}
