import type { Concern } from '#core/client'
import {
  apart,
  axisOf,
  dayHeightFor,
  highestGrade,
  lanesOf,
  quarterOf,
  railsOf,
  SIGNS_OF,
  signsSeen,
  spansOf,
  type Axis,
  type SignId,
} from '#core/record'
import { askedName } from '~/support/record'
import { dateAfter, shortDate } from '~/support/time'
import {
  SIZES,
  type Block,
  type DrawnRail,
  type DrawnSpan,
  type Fold,
  type LongLadderData,
  type LongLayout,
  type Rung,
} from './drawn'

const DAY_HEIGHT = { touch: SIZES.touch, least: 3.2, most: 6.9 }

export interface LayoutInput {
  readonly data: LongLadderData
  readonly open: ReadonlySet<string>
  /** Room across; what does not fit of the signs is left out, unless all are asked for. */
  readonly width: number
  readonly allSigns: boolean
}

/** The whole drawing; undefined where no visit stands on the ladder yet. */
export function longLayout(input: LayoutInput): LongLayout | undefined {
  const { data, open } = input
  const { rungs, today } = data
  if (rungs.length === 0) return undefined
  const days = rungs.map(({ on }) => on)
  const last = days.at(-1)! > today ? days.at(-1)! : today
  const axis = axisOf({
    from: days[0]!,
    to: last,
    visits: days,
    open,
    dayHeight: dayHeightFor(
      days.filter((day) => open.has(quarterOf(day).id)),
      DAY_HEIGHT,
    ),
    foldedHeight: SIZES.folded,
  })
  const y = (day: string): number => SIZES.gapAbove + axis.yOf(day)
  const rails = drawRails(rungs, y)
  const signsX = SIZES.left + rails.length * SIZES.lever
  const { shown, hidden } = signsThatFit(input, signsX)
  const spansX = signsX + shown.length * SIZES.sign + (shown.length > 0 ? 10 : 0)
  const spans = drawSpans(data, y, spansX)
  const labelsX = Math.max(
    spansX + (spans.length > 0 ? SIZES.facts : 20),
    input.width - SIZES.labels,
  )
  return {
    width: labelsX + SIZES.labels,
    height: axis.height + SIZES.gapAbove + SIZES.touch,
    todayY: y(today),
    months: axis.months.map(({ on }) => ({ on, y: y(on) })),
    rails,
    signs: shown.map((sign, at) => ({
      sign,
      x: signsX + at * SIZES.sign + (SIZES.sign - SIZES.strip) / 2,
      blocks: blocksOf(sign, rungs, y, y(today)),
    })),
    hiddenSigns: hidden,
    ...{ spans, spansX, labelsX },
    spanWordsX: Math.max(spansX, ...spans.map(({ x }) => x)) + SIZES.lane + 4,
    ...namesOf(data, axis, y),
  }
}

function drawRails(rungs: readonly Rung[], y: (day: string) => number): DrawnRail[] {
  const visits = rungs.map(({ id, on, levers, suggestions }) => ({
    ...{ id, on },
    levers: levers ?? [],
    suggestions: suggestions ?? [],
  }))
  return railsOf(visits).map(({ lever, points }, at) => {
    const x = SIZES.left + at * SIZES.lever
    const markers = points.map((point) => ({
      ...point,
      x: x + (point.rung - 1) * SIZES.rung,
      y: y(point.on),
    }))
    const [first, ...others] = markers
    const steps = others.map((marker) => `V${marker.y}H${marker.x}`).join('')
    return { lever, x, markers, path: `M${first!.x},${first!.y}${steps}` }
  })
}

/** Signs of what the client wants stand first, then the marked ones. */
function signsThatFit({ data, width, allSigns }: LayoutInput, from: number) {
  const readings = data.rungs.flatMap(({ findings }) => (findings ? [findings] : []))
  const wanted = data.concerns.flatMap((concern: Concern) => SIGNS_OF[concern])
  const rankOf = (sign: SignId): number => {
    const place = wanted.indexOf(sign)
    return place === -1 ? wanted.length : place
  }
  const mostOf = (sign: SignId) => Math.max(...readings.map((one) => highestGrade(sign, one)))
  const ranked = signsSeen(readings).sort((a, b) => rankOf(a) - rankOf(b) || mostOf(b) - mostOf(a))
  const room = width - from - SIZES.facts - SIZES.labels
  const fits = allSigns ? ranked.length : Math.max(1, Math.floor(room / SIZES.sign))
  return { shown: ranked.slice(0, fits), hidden: ranked.slice(fits) }
}

/** A grade holds from its reading to the next; the last one to today. */
function blocksOf(
  sign: SignId,
  rungs: readonly Rung[],
  y: (day: string) => number,
  todayY: number,
): Block[] {
  const read = rungs.filter(({ findings }) => findings !== null)
  return read.map(({ id, on, findings }, at) => {
    const next = read[at + 1]
    const top = y(on)
    return {
      visitId: id,
      grade: highestGrade(sign, findings!),
      y: top,
      height: Math.max(2, (next ? y(next.on) : Math.max(todayY, top + 8)) - top - 1.5),
    }
  })
}

const WORDS_APART = 32
const FAR_ABOVE = 320
function drawSpans(data: LongLadderData, y: (day: string) => number, x: number): DrawnSpan[] {
  const since = data.rungs[0]!.on
  const lanes = lanesOf(spansOf(data.facts, since), data.today)
  const bars = lanes.map(({ span, lane }) => {
    const top = y(span.from ?? since)
    const name = askedName(span.code)
    const ended = span.to && !span.isOnce ? ` to ${shortDate(span.to)}` : ''
    return {
      key: `${span.code} ${span.from}`,
      words: `${name.charAt(0).toUpperCase()}${name.slice(1)}${ended}`,
      x: x + lane * SIZES.lane,
      y: top,
      height: Math.max(7, y(span.to ?? data.today) - top),
      tone: span.code.startsWith('medicine:') ? ('medicine' as const) : ('fact' as const),
    }
  })
  const refused = data.memories
    .filter(({ on }) => on >= since)
    .map(({ productId, memory, on }) => ({
      key: `${productId} ${memory}`,
      words: `${data.productNames[productId] ?? productId} ${memory === 'refused' ? 'not liked' : 'reacted'}`,
      x,
      y: y(on),
      height: 0,
      tone: 'refused' as const,
    }))
  return withWords([...bars, ...refused])
}

/** Words of all of them stand apart. */
function withWords(spans: readonly Omit<DrawnSpan, 'wordsY'>[]): DrawnSpan[] {
  const wanted = spans
    .flatMap((span) => [
      { span, y: span.y },
      ...(span.height > FAR_ABOVE ? [{ span, y: span.y + span.height - WORDS_APART }] : []),
    ])
    .sort((a, b) => a.y - b.y)
  const places = apart(
    wanted.map(({ y }) => y),
    WORDS_APART,
  )
  return spans.map((span) => ({
    ...span,
    wordsY: wanted.flatMap((one, at) => (one.span === span ? [places[at]!] : [])),
  }))
}

/** Words at the right edge: of visits in open quarters, and of folded quarters; all of them stand a touch apart. */
function namesOf({ rungs, photos, today }: LongLadderData, axis: Axis, y: (day: string) => number) {
  const folds = foldsOf(axis)
  const open = axis.bands.filter(({ isOpen }) => isOpen)
  const shown = rungs.filter(({ on }) => open.some(({ from, to }) => from <= on && on < to))
  const named = [
    ...folds.map((fold) => ({ of: fold.id, y: fold.top + SIZES.folded / 2 })),
    ...shown.map(({ id, on }) => ({ of: id, y: y(on) })),
  ].sort((a, b) => a.y - b.y)
  const places = apart(
    named.map((one) => one.y),
    SIZES.touch,
  )
  const placeOf = new Map(named.map(({ of }, at) => [of, places[at]!]))
  return {
    folds: folds.map((fold) => ({ ...fold, labelY: placeOf.get(fold.id)! })),
    labels: shown.map((rung) => ({
      rung,
      y: y(rung.on),
      labelY: placeOf.get(rung.id)!,
      isAhead: !rung.isSigned && rung.on >= today,
      photos: photos.filter(({ visitId }) => visitId === rung.id).length,
    })),
  }
}

/** "Sep" of an ISO date. */
export const monthOf = (day: string): string => shortDate(day).split(' ')[1]!

function foldsOf(axis: Axis): Omit<Fold, 'labelY'>[] {
  return axis.bands
    .filter(({ isOpen }) => !isOpen)
    .map(({ id, from, to, top, visits }) => ({
      id,
      top: top + SIZES.gapAbove,
      words: `${spanWords(from, dateAfter(to, -1))}, ${visits.length === 0 ? 'no visit' : `${visits.length} ${visits.length === 1 ? 'visit' : 'visits'}`}`,
      canOpen: visits.length > 0,
    }))
}

/** "Jul–Sep 2025"; over the turn of a year "Oct 2024–Mar 2025". */
function spanWords(from: string, to: string): string {
  const [fromYear, toYear] = [from.slice(0, 4), to.slice(0, 4)]
  const first = fromYear === toYear ? monthOf(from) : `${monthOf(from)} ${fromYear}`
  return `${first}–${monthOf(to)} ${toYear}`
}
