/** A strong thing and how many of the seven evenings it has; earlier ones are the more important. */
export interface Wanted {
  readonly id: string
  readonly perWeek: number
}
const WEEK = 7

/**
 * Seven evenings from Monday, each with at most one strong thing. Where they want more evenings than there are, who has most gives one up until
 * they fit, none below one. Each thing's evenings are as far apart as the whole allows (least sum of squared gaps round the week, the
 * more important first where two ways are as good), then the earliest in the week.
 */
export function weekOf(wanted: readonly Wanted[]): (string | undefined)[] {
  const counts = fitted(wanted.slice(0, WEEK))
  let best: { week: number[]; cost: readonly number[] } | undefined
  const week: number[] = Array.from({ length: WEEK }, () => -1)
  const left = [WEEK - sum(counts), ...counts]
  function fill(day: number) {
    if (day === WEEK) {
      const cost = costOf(week, counts.length)
      if (!best || isLess(cost, best.cost)) best = { week: [...week], cost }
      return
    }
    for (const who of [...counts.keys(), -1]) {
      if (left[who + 1] === 0) continue
      left[who + 1]!--
      week[day] = who
      fill(day + 1)
      left[who + 1]!++
    }
  }
  fill(0)
  return best!.week.map((who) => wanted[who]?.id)
}

function fitted(wanted: readonly Wanted[]): number[] {
  const counts = wanted.map(({ perWeek }) => Math.min(WEEK, Math.max(1, perWeek)))
  while (sum(counts) > WEEK) counts[counts.lastIndexOf(Math.max(...counts))]!--
  return counts
}
const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0)

/** Sum of all squared gaps, then of each thing by importance. */
function costOf(week: readonly number[], things: number): number[] {
  const each = Array.from({ length: things }, (_, who) => gapsOf(week, who))
  return [sum(each), ...each]
}
function gapsOf(week: readonly number[], who: number): number {
  const days = week.flatMap((one, day) => (one === who ? [day] : []))
  return sum(
    days.map((day, at) => {
      const next = days[(at + 1) % days.length]! + (at + 1 === days.length ? WEEK : 0)
      return (next - day) ** 2
    }),
  )
}
function isLess(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((one, index) => one !== b[index])
  return at !== -1 && a[at]! < b[at]!
}
