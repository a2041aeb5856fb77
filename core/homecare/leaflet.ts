import { dateAfter, dateInWords } from '../client'
import type { HomeLine, HomePlan } from './model'
import { HOME_MOVEMENTS } from './movements'
import { PAUSE_WORDS } from './words'

/** A page for the client: titles with plain sentences, in the order in which they are needed. */
export interface Leaflet {
  readonly title: string
  readonly parts: readonly LeafletPart[]
}
export interface LeafletPart {
  readonly title: string
  /** In order of use, where they are steps. */
  readonly isSteps: boolean
  readonly lines: readonly string[]
}

/** Whose leaflet it is: how the client is named on it, and whom to call. */
export interface Sender {
  readonly salon: string
  readonly address: string
  readonly emergencyNumber: string
}

/** A home plan in plain words. Nothing in it names a condition, and nothing promises an effect. */
export function leafletOf(plan: HomePlan, { salon, emergencyNumber }: Sender): Leaflet {
  const parts = [
    part('The first days', [...plan.firstDays.notes.map(({ words }) => words), ...plan.usual]),
    part('In the morning', stepsAt(plan, 'morning'), true),
    part('In the evening', stepsAt(plan, 'evening'), true),
    part('How often', plan.lines.flatMap(oftenOf)),
    part('Leave alone for now', plan.pauses.map(pauseSentence)),
    part('Stop or ask', plan.left.filter(({ isTheirs }) => isTheirs).map(stopSentence)),
    part('To practise', practised(plan)),
    part(
      'Before your next visit',
      plan.before.map((note) => beforeSentence(note, plan.next?.on)),
    ),
    part('When to call', [
      'Blisters, swelling, weeping, strong pain or a rash that spreads are not usual.',
      `Rinse with cool water, put on nothing more, and call us at ${salon}.`,
      `If you cannot breathe well or your face swells fast, call ${emergencyNumber} at once.`,
    ]),
  ]
  return { title: 'For you, at home', parts: parts.filter(({ lines }) => lines.length > 0) }
}
const part = (title: string, lines: readonly string[], isSteps = false): LeafletPart => ({
  ...{ title, lines, isSteps },
})

const stepsAt = ({ lines }: HomePlan, time: HomeLine['times'][number]): string[] =>
  lines.filter(({ times }) => times.includes(time)).map(stepSentence)

function stepSentence({ role, name, amount, how, from, state }: HomeLine): string {
  const what = role === 'neck' ? `On the neck: ${name}` : name
  const begins = state === 'new' && role !== 'neck' ? ` New. Start on ${dateInWords(from)}.` : ''
  return `${what}${amount ? `, ${amount}` : ''}. ${how}${begins}`
}

const COUNTS = ['', 'one', 'two', 'three', 'four', 'five', 'six']
/** "Night cream: two evenings a week. From 14 Dec three." */
function oftenOf({ name, pace = [], times }: HomeLine): string[] {
  const of = times.includes('evening') ? 'evening' : 'morning'
  if (pace.length === 0) return []
  const [first, ...later] = pace.map(({ perWeek, from }) => ({
    count:
      perWeek >= 7 ? `every ${of}` : `${COUNTS[perWeek]} ${of}${perWeek === 1 ? '' : 's'} a week`,
    from,
  }))
  const then = later.map(({ count, from }) => ` From ${dateInWords(from)}, ${count}.`)
  return [`${name}: ${first!.count}.${then.join('')} Less, if it stings or peels.`]
}

const practised = ({ movements }: HomePlan): string[] =>
  HOME_MOVEMENTS.filter(({ id }) => movements.includes(id)).map(
    ({ name, how }) => `${name}: ${how}`,
  )

/** What goes on until the visit is said with "from", what is done once with its day. */
function beforeSentence({ words, from }: HomePlan['before'][number], next: string | undefined) {
  if (!from) return words
  const isOnce = next !== undefined && from >= dateAfter(next, -1)
  return `${isOnce ? 'On' : 'From'} ${dateInWords(from)}: ${words}`
}

const pauseSentence = ({ what, again }: HomePlan['pauses'][number]): string =>
  `${what === 'own-actives' ? 'None of' : 'No'} ${PAUSE_WORDS[what].replaceAll(' and ', ' or ')} before ${dateInWords(again)}.`

const stopSentence = ({ name, prescribed }: HomePlan['left'][number]): string =>
  prescribed
    ? `${name}: ask the doctor who gave it to you.`
    : `${name}: stop for now. Bring it along next time.`

/** The same as a text for a message. */
export const leafletText = ({ title, parts }: Leaflet): string =>
  [
    title,
    ...parts.map(({ title: of, lines, isSteps }) =>
      [of, ...lines.map((line, at) => `${isSteps ? `${at + 1}.` : '-'} ${line}`)].join('\n'),
    ),
  ].join('\n\n')

/** Scripts that the leaflet's font has. */
const PRINTED =
  /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Common}\p{Script=Inherited}]*$/u
/** How a client stands on a printed page: by name; by number and what of their initials can be printed, where a letter of it cannot be. */
export function printedName(name: string, clientId: string): string {
  if (PRINTED.test(name)) return name
  const initials = name
    .split(/\s+/)
    .map((word) => word.charAt(0))
    .filter((letter) => letter !== '' && PRINTED.test(letter))
  return [
    `Client ${clientId.slice(0, 8)}`,
    ...(initials.length > 0 ? [initials.join('. ') + '.'] : []),
  ].join(', ')
}
