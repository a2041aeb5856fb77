import type { Capability } from '~/stores/session'

/** The parts of Settings, each with what it is about, for whoever may. */
export const SETTINGS = [
  { key: 'you', title: 'You', about: 'How you sign in', can: 'own.write' },
  { key: 'device', title: 'This device', about: 'Its light, keys and pedals', can: 'own.write' },
  {
    key: 'people',
    title: 'People',
    about: 'Who works here, and what each may do',
    can: 'people.write',
  },
  {
    key: 'tablets',
    title: 'Tablets',
    about: 'Names and PINs instead of passwords',
    can: 'people.write',
  },
  {
    key: 'salon',
    title: 'The salon',
    about: 'Name, place, money and measures',
    can: 'salon.write',
  },
  {
    key: 'hours',
    title: 'Hours and rooms',
    about: 'When and where can be booked',
    can: 'salon.write',
  },
  {
    key: 'work',
    title: 'How we work',
    about: 'Who is of age here, and the house’s way where practitioners differ',
    can: 'salon.write',
  },
  {
    key: 'money',
    title: 'Money',
    about: 'What minutes and washing cost',
    can: 'rates.write',
  },
  {
    key: 'consents',
    title: 'Consents',
    about: 'The words clients sign, and their versions',
    can: 'rules.write',
  },
  {
    key: 'messages',
    title: 'Messages',
    about: 'What goes out to people, and what waits',
    can: 'people.write',
  },
  {
    key: 'copies',
    title: 'Copies',
    about: 'Everything once more, elsewhere, every day',
    can: 'salon.write',
  },
  {
    key: 'keeping',
    title: 'Keeping',
    about: 'How long records are kept, and what has served its time',
    can: 'client.rights',
  },
  {
    key: 'log',
    title: 'The log',
    about: 'Who saw or changed what; it cannot be changed',
    can: 'audit.read',
  },
  {
    key: 'branches',
    title: 'Branches',
    about: 'Other salons of this house',
    can: 'salon.write',
  },
  { key: 'demo', title: 'Demo studio', about: 'Open it, or take it away', can: 'salon.write' },
] as const satisfies readonly {
  readonly key: string
  readonly title: string
  readonly about: string
  readonly can: Capability
}[]
export type SettingsKey = (typeof SETTINGS)[number]['key']
