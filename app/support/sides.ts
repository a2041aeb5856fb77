import { NO_PREP, type Prep, type SlotWish } from '#core/adapt'
import { productById } from '#core/catalog'
import type { Client, Fact, GoalDetails } from '#core/client'
import { zonesInWords, type Reading } from '#core/skin'
import type { VisitData } from '~/stores/visit-data'
import { findingsInWords } from '~/skin-map/reading'
import { GOAL_WORDS } from './goals'
import { FACE_SIZES } from './face-sizes'
import type { Aside } from './outbox-db'
import { visitPath } from './visit-path'

/** Two words on one thing: what was said on this tablet, and what stands at the server. */
export interface Sides {
  readonly what: string
  /** Where it is answered, among the stages of the visit. */
  readonly stage: 'consult' | 'skin' | 'fit' | 'prepare'
  readonly here: string
  readonly there: string
}

type Shown = Pick<VisitData, 'input' | 'plan'>
type Side = (data: Shown) => unknown
interface Kind extends Pick<Sides, 'what' | 'stage'> {
  readonly sent: (body: unknown) => unknown
  readonly stands: Side
  readonly words: (value: unknown, data: Shown) => string
}

type Goals = Pick<Client, 'concerns'> & { readonly details?: GoalDetails | undefined }
/** In their order, each with its places and whether it is a wish alone. */
const goalsWords = (goals: unknown): string => {
  const { concerns, details = {} } = goals as Goals
  return (
    concerns
      .map((goal, at) => {
        const { zones = [], wish } = details[goal] ?? {}
        const places = zones.length > 0 ? `, ${zonesInWords(zones)}` : ''
        return `${at + 1} ${GOAL_WORDS[goal]}${places}${wish ? ', a wish' : ''}`
      })
      .join(' · ') || 'nothing'
  )
}

function readingWords(reading: unknown): string {
  const { findings, lesions, done } = reading as Reading
  const lines = findingsInWords({ findings }).map(({ words, where }) => `${words}: ${where}`)
  if (lesions.length > 0) lines.push(`${lesions.length} marked one by one`)
  return lines.join('. ') || (done ? 'read, nothing to note' : 'not read')
}

const titleIn = ({ input, plan }: Shown, id: string): string =>
  [...(plan?.plan.steps ?? []), ...input.protocol.steps].find((step) => step.id === id)?.title ?? id

function slotWords(slot: unknown, data: Shown): string {
  const { slotMinutes: minutes, mustStay = [], grow } = (slot ?? {}) as Partial<SlotWish>
  return [
    minutes === undefined ? 'as booked' : `${minutes} min`,
    ...mustStay.map((id) => `${titleIn(data, id)} stays`),
    ...(grow ? ['spare time given out'] : []),
  ].join(' · ')
}

function prepWords(prep: unknown, data: Shown): string {
  const { size, waterC, standIns, partStandIns } = prep as Prep
  const nameOf = (id: string) => productById(data.input.shelf, id)?.name ?? id
  return [
    `${FACE_SIZES.find(({ value }) => value === size)!.words} face`,
    ...Object.entries(waterC).map(([id, celsius]) => `${titleIn(data, id)}: water ${celsius} °C`),
    ...Object.entries(standIns).map(
      ([id, { productId }]) => `${titleIn(data, id)}: ${nameOf(productId)}`,
    ),
    ...Object.entries(partStandIns).flatMap(([mix, parts]) =>
      Object.entries(parts).map(
        ([part, id]) => `${nameOf(mix)}: ${nameOf(id)} for ${nameOf(part)}`,
      ),
    ),
  ].join(' · ')
}

const KINDS: Readonly<Record<string, Kind>> = {
  goals: {
    ...{ what: 'What the client wants', stage: 'consult' },
    sent: (body) => body,
    stands: ({ input: { client } }) => ({
      concerns: client.concerns,
      details: client.goalDetails,
    }),
    words: goalsWords,
  },
  reading: {
    ...{ what: 'The reading of the skin', stage: 'skin' },
    sent: (body) => (body as { reading: unknown }).reading,
    stands: ({ input }) => input.reading,
    words: readingWords,
  },
  fit: {
    ...{ what: 'The length of this visit', stage: 'fit' },
    sent: (body) => body,
    stands: ({ input }) => input.fit,
    words: slotWords,
  },
  prep: {
    ...{ what: 'What is decided at the tray', stage: 'prepare' },
    sent: (body) => body,
    stands: ({ input }) => input.prep ?? NO_PREP,
    words: prepWords,
  },
}

/** It met another change: somebody says which of the two stands. */
export const isConflict = ({ aside }: Pick<Aside, 'aside'>): boolean =>
  aside.code === 'changed_meanwhile'

const kindOf = (change: Pick<Aside, 'path'>): Kind | undefined => KINDS[visitPath(change).part]
/** The visit, and the stage of it, where it is said which stands. */
export const decidedAt = (change: Pick<Aside, 'path'>): string =>
  `/visits/${visitPath(change).visitId}/${kindOf(change)?.stage ?? 'consult'}`

/** A change that met another one, in words beside what stands at the server. */
export function sidesOf(change: Pick<Aside, 'path' | 'body'>, data: Shown): Sides | undefined {
  const kind = kindOf(change)
  if (!kind) return undefined
  const { what, stage, sent, stands, words } = kind
  return { what, stage, here: words(sent(change.body), data), there: words(stands(data), data) }
}

export const SIDE_WORDS: Readonly<Record<Fact['answer'], string>> = {
  ...{ yes: 'yes', no: 'no', unknown: 'does not know' },
}
