import { z } from 'zod'
import type { Measures } from '#core/salon'
import type { ClosedDay, Opening, ScopeEntry } from '#core/salon/model'
import { guessFor } from './zones'

/** Everything that Set up asks, as it stands while it is typed. */
export interface SetUpForm {
  code: string
  you: { name: string; email: string; password: string; performs: boolean }
  salon: {
    name: string
    address: string
    emergencyNumber: string
    timeZone: string
    currency: string
    measures: Measures
  }
  hours: Opening[]
  closedDays: ClosedDay[]
  rooms: string[]
  turnoverMinutes: number
  deviceIds: string[]
  /** Minutes on one zone at most, by device, where its maker says so. */
  mostMinutes: Record<string, number>
  scope: ScopeEntry[]
  /** `files`: empty, and files are brought in at once. */
  begin: 'starter' | 'empty' | 'files'
}

export const PARTS = [
  { key: 'you', title: 'You' },
  { key: 'salon', title: 'The salon' },
  { key: 'rooms', title: 'Rooms and devices' },
  { key: 'scope', title: 'What may be done here' },
  { key: 'begin', title: 'What to begin with' },
] as const
export type PartKey = (typeof PARTS)[number]['key']

const SATURDAY = 6
const everyday = (weekday: number): Opening => ({ weekday, opens: '09:00', closes: '18:00' })

/** What most salons begin with, so that every part but the first can be passed over. */
export function emptyForm(timeZone: string): SetUpForm {
  const guess = guessFor(timeZone)
  return {
    code: '',
    you: { name: '', email: '', password: '', performs: true },
    salon: { name: '', address: '', timeZone, ...guess },
    hours: Array.from({ length: SATURDAY }, (_, at) => everyday(at + 1)),
    closedDays: [],
    rooms: ['Room 1'],
    turnoverMinutes: 10,
    deviceIds: [],
    mostMinutes: {},
    scope: [],
    begin: 'starter',
  }
}

/** A place that is changed brings its own money, number and measures along, where those were still the guess. */
export function movedTo({ salon, ...form }: SetUpForm, timeZone: string): SetUpForm {
  const [before, after] = [guessFor(salon.timeZone), guessFor(timeZone)]
  const isGuess = (key: 'currency' | 'emergencyNumber' | 'measures') => salon[key] === before[key]
  return {
    ...form,
    salon: {
      ...salon,
      timeZone,
      currency: isGuess('currency') ? after.currency : salon.currency,
      emergencyNumber: isGuess('emergencyNumber') ? after.emergencyNumber : salon.emergencyNumber,
      measures: isGuess('measures') ? after.measures : salon.measures,
    },
  }
}

const isEmail = (text: string): boolean => z.email().safeParse(text).success

/** What is still missing of the first part, in a sentence; undefined: nothing. */
export function missingOf({ code, you }: SetUpForm, weakness: string | undefined) {
  if (code.replaceAll(/[^0-9a-z]/gi, '') === '') return 'Type the code from where it was started.'
  if (you.name.trim().length < 2) return 'Your name is missing.'
  if (!isEmail(you.email)) return 'An e-mail address to sign in with is missing.'
  return you.password === '' ? 'A password is missing.' : weakness
}

/** What is sent: names without the empty ones, the salon called after its founder where nobody named it. */
export const toSend = (form: SetUpForm) => {
  const rooms = form.rooms.map((name) => name.trim()).filter(Boolean)
  const name = form.salon.name.trim() || `Salon of ${form.you.name.trim()}`
  return {
    ...form,
    salon: { ...form.salon, name },
    rooms: rooms.length > 0 ? rooms : ['Room 1'],
    scope: form.you.performs ? form.scope : [],
    begin: form.begin === 'starter' ? form.begin : 'empty',
  }
}

const counted = (count: number, one: string, more: string): string =>
  `${count} ${count === 1 ? one : more}`

const BEGINS = {
  starter: 'Starter library and starter shelf',
  empty: 'Empty',
  files: 'With files of your own',
} as const

/** A part that is folded, in a line. */
export function summaryOf(key: PartKey, form: SetUpForm): string {
  const { you, salon, rooms, deviceIds, scope, turnoverMinutes } = form
  switch (key) {
    case 'you':
      return [you.name, you.email, you.performs ? 'performs treatments' : '']
        .filter(Boolean)
        .join(' · ')
    case 'salon':
      return [salon.name || 'Named after you', salon.timeZone, salon.currency].join(' · ')
    case 'rooms':
      return [
        counted(rooms.length, 'room', 'rooms'),
        `${turnoverMinutes} min between visits`,
        deviceIds.length === 0 ? 'no devices' : counted(deviceIds.length, 'device', 'devices'),
      ].join(' · ')
    case 'scope':
      return scope.length === 0
        ? 'Nothing beyond the basic licence'
        : counted(scope.length, 'technique', 'techniques')
    case 'begin':
      return BEGINS[form.begin]
  }
}

/** The cards of the starter that go with the devices that are there. */
export const cardsWith = (
  cards: readonly { readonly name: string; readonly deviceIds: readonly string[] }[],
  deviceIds: readonly string[],
): string[] =>
  cards
    .filter((card) => card.deviceIds.every((id) => deviceIds.includes(id)))
    .map(({ name }) => name)
