import { visitPath } from './visit-path'

/** What a change is about, in a few words: by the route it was made for. */
const WORDS: Readonly<Record<string, string>> = {
  facts: 'Answers of the consultation',
  intake: 'An intake',
  reading: 'A reading of the skin',
  goals: 'What the client wants',
  clearances: 'A physician’s word',
  overrides: 'A step kept as written',
  consents: 'A signed consent',
  'patch-tests': 'A patch test',
  ticks: 'What was laid on the tray',
  prep: 'What was decided at the tray',
  fit: 'The length of the visit',
  card: 'Another card',
  kits: 'A kit that was opened',
  plan: 'A ladder fitted without a network',
  'check-in': 'A check-in',
  'home-told': 'What is used at home',
  'home-plan': 'A plan for home',
  close: 'A signature',
  photos: 'A photograph',
}

const EVENT_WORDS: Readonly<Record<string, string>> = {
  start: 'The visit was started',
  finish: 'The visit was finished',
  note: 'A note',
  read: 'A reading under the lamp',
  replanned: 'The rest was fitted again',
  skipped: 'A step was left out',
  sensation: 'What the client felt',
  emergency: 'An emergency',
}

/** A waiting change in a few words. */
export function whatOf({ path, body }: { readonly path: string; readonly body?: unknown }): string {
  const { part } = visitPath({ path })
  if (part !== 'events') return WORDS[part] ?? `A change (${part})`
  const { events } = body as { events?: { body?: { type?: string; text?: string } }[] }
  const said = events?.[0]?.body
  const words = EVENT_WORDS[said?.type ?? ''] ?? 'Something done in the visit'
  return said?.text ? `${words}: “${said.text}”` : words
}
