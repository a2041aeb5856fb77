import { dateAfter, dateInWords, factsInForce } from '../client'
import { announcedHours } from '../climb'
import { homeJudge, type Thing } from './allowed'
import { usesIn } from './amount'
import { daysOf, paceOf, REST_BEFORE, strongOn } from './days'
import type { HomeInput } from './input'
import { linesFor } from './lines'
import type { HomeLine, HomeNote, HomePlan } from './model'
import { movementsFor } from './movements'
import { pausesAfter } from './pauses'

/** Days of bland care after any visit, at the least. */
const FIRST_DAYS = 1
/** How far ahead "lasts until" is looked for. */
const LASTS_DAYS = 730

/**
 * Home care after a visit: what goes on, what is new, what stops, the evenings day by day, the pauses with their ends and what comes before
 * the next visit. Deterministic. Nothing in it is anything that the rule book stops on a day on which it is used.
 */
export function homePlan(input: HomeInput): HomePlan {
  const { date, done, next, splits } = input
  const judge = homeJudge(input)
  const pauses = pausesAfter(date, done)
  const again =
    pauses.find(({ what }) => what === 'own-actives')?.again ?? dateAfter(date, FIRST_DAYS)
  const found = linesFor(input, judge, again)
  const lines = found.lines.map((line) =>
    line.pace?.length === 0 ? { ...line, pace: paceOf(line, judge.suggestions) } : line,
  )
  const days = daysOf(lines, { on: date, again, next, splits })
  return {
    on: date,
    lines: lines.map((line) => withEnd(line, found.things.get(line.id), lines, input)),
    left: found.left,
    days,
    pauses,
    firstDays: { until: again, notes: firstNotes(lines, again) },
    before: next ? beforeNext(input, next.on) : [],
    ...(next ? { next } : {}),
    movements: movementsFor(input, judge, again),
    usual: usualAfter(done),
  }
}

/** A line with the day on which its pack is used up, where its amounts are known. */
function withEnd(
  line: HomeLine,
  thing: Thing | undefined,
  lines: readonly HomeLine[],
  { rests }: HomeInput,
): HomeLine {
  const rest = rests.find(({ productId }) => productId === line.productId)
  const pack = line.state === 'kit' ? rest?.amount : thing?.product.takeHome?.amount
  const uses = thing && pack && line.role !== 'neck' ? usesIn(thing, pack) : undefined
  const end = uses === undefined ? undefined : lastDay(line, uses, lines)
  return end ? { ...line, lastsUntil: end } : line
}

/** The day of its last use, a pack being begun on its first day. */
export function lastDay(
  line: HomeLine,
  uses: number,
  lines: readonly HomeLine[],
): string | undefined {
  const strong = lines.filter(({ pace }) => pace !== undefined)
  let left = uses
  for (let at = 0; at < LASTS_DAYS && left > 0; at++) {
    const date = dateAfter(line.from, at)
    left -= line.pace ? Number(strongOn(strong, date) === line.id) : line.times.length
    if (left <= 0) return date
  }
  return undefined
}

/** Bland care by the names it has in the plan. */
function firstNotes(lines: readonly HomeLine[], again: string): HomeNote[] {
  const named = (role: HomeLine['role']) => lines.find((line) => line.role === role)?.name
  const sun = named('sun')
  return [
    { words: `Only ${[named('cleanser'), named('moisturiser')].filter(Boolean).join(' and ')}.` },
    ...(sun ? [{ words: `Every morning: ${sun}. Outdoors again every two hours.` }] : []),
    { words: 'Hands off: do not pick, rub or peel.' },
    { words: 'Put on a clean pillowcase tonight.' },
    { words: `From ${dateInWords(again)} the plan goes on.`, from: again },
  ]
}

/** What a client does before the next visit, with its day. */
function beforeNext({ client, uses = [] }: HomeInput, on: string): HomeNote[] {
  const facts = factsInForce(client.facts)
  const hasBeard = facts.get('facial-hair')?.answer === 'yes'
  const isPrescribed = uses.some(({ prescribed }) => prescribed)
  const before = (days: number) => dateAfter(on, -days)
  return [
    { words: 'No sunbed and no self-tan.', from: before(14) },
    ...(isPrescribed
      ? [
          {
            words: 'Ask your physician whether your cream may pause for five days.',
            from: before(REST_BEFORE.prescribed),
          },
        ]
      : []),
    { words: 'No retinoid, acid or scrub.', from: before(REST_BEFORE.own) },
    { words: 'No waxing or threading of the face.', from: before(3) },
    {
      words: hasBeard
        ? 'Trim or shave the evening before, not on the day.'
        : 'Shave the evening before, if you shave.',
      from: before(1),
    },
    { words: 'Come with bare skin. Leave contact lenses and jewellery at home.', from: on },
  ]
}

/** What is to be expected of the skin after today's work. */
function usualAfter(done: HomeInput['done']): string[] {
  const { levers, work, points } = done
  const hours = announcedHours({ levers: [...levers], work: [...work], points })
  const works = done.work.length > 0 || done.levers.length > 0
  const isPeeling =
    done.work.some((one) => one === 'needling' || one === 'mechanical') || hours > 24
  return [
    ...(works ? [`Your skin may be pink for up to ${hours} hours.`] : []),
    ...(works ? ['It may feel tight or a little warm today.'] : []),
    ...(isPeeling ? ['It may flake a little for some days.'] : []),
  ]
}
