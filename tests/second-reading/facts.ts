import type { Client, Fact } from '#core/client'
import type { Shelf } from '#core/catalog'
import type { ProtocolVersion, Step } from '#core/protocol'
import type { Reading } from '#core/skin'

/** What the skin answered: numbers, what is a yes or a no, and lists of signs and places. */
interface Answer {
  readonly stinging: number
  readonly [sign: string]: number | boolean | readonly string[]
}

/** A visit and what came of it, as far as the second reading looks at it. */
export interface Visit {
  readonly protocol: ProtocolVersion
  readonly client: Client
  readonly reading: Reading
  readonly history: readonly {
    readonly on: string
    readonly levers: readonly { readonly lever: string; readonly rung: number }[]
    readonly work?: readonly string[] | undefined
    readonly points?: number | undefined
    readonly answer: Answer | null
  }[]
  readonly shelf: Shelf
  readonly felt?: readonly unknown[] | undefined
  readonly date: string
  readonly daytime: boolean
  readonly practitioner?: { readonly scope: readonly string[] } | undefined
}
export interface Outcome {
  readonly status: string
  readonly steps: readonly Step[]
  readonly totalS: number
  readonly slotS: number
}

/** Medicines by the question they answer (the list that ships, in part). */
const MEDICINES: Readonly<Record<string, string>> = {
  isotretinoin: 'isotretinoin',
  acitretin: 'isotretinoin',
  tretinoin: 'retinoid-prescription',
  adapalene: 'retinoid-prescription',
  doxycycline: 'photosensitiser-strong',
  amiodarone: 'photosensitiser-strong',
  warfarin: 'anticoagulant',
  clopidogrel: 'anticoagulant',
  methotrexate: 'immune',
  pacemaker: 'implant-electronic',
  'glucose-sensor': 'implant-electronic',
  haemophilia: 'bleeding-disorder',
  lupus: 'light-disease',
  'facial-palsy': 'reduced-feeling',
  pregnant: 'pregnancy',
  goitre: 'thyroid-carotid',
}
/** Asked again each day: yesterday's answer says nothing. */
const OF_THE_DAY: ReadonlySet<string> = new Set([
  'infection',
  'unwell',
  'open-wound',
  'blocked-nose',
  'contact-lenses',
  'worn-metal',
  'reduced-feeling',
  'dental-injection',
  'shaved',
  'event',
  'hair-oil',
])

const dayOf = (iso: string): number => Date.parse(`${iso}T00:00:00Z`) / 86_400_000

/** What is held to be true of a client: a yes, or what nobody has asked. */
export class Facts {
  private readonly last = new Map<string, Fact>()

  constructor(private readonly visit: Visit) {
    for (const fact of visit.client.facts) {
      const code = MEDICINES[fact.code.replace('medicine:', '')]
      if (fact.code.startsWith('medicine:') && code && fact.answer === 'yes')
        this.keep({ ...fact, code }, true)
      else this.keep(fact, false)
    }
  }

  private keep(fact: Fact, wins: boolean) {
    const before = this.last.get(fact.code)
    if (wins || !before || before.askedOn <= fact.askedOn) this.last.set(fact.code, fact)
  }

  /** The fact that holds: within so many days of its date, where it has one; undefined where it was answered no. */
  private holding(code: string, days = Infinity): Fact | 'unasked' | undefined {
    const fact = this.last.get(code)
    const isOld = fact && OF_THE_DAY.has(code) && fact.askedOn < this.visit.date
    if (!fact || isOld || fact.answer === 'unknown') return 'unasked'
    if (fact.answer === 'no') return undefined
    const since = fact.on === undefined ? 0 : dayOf(this.visit.date) - dayOf(fact.on)
    return since <= days ? fact : undefined
  }

  has(code: string, days?: number): boolean {
    return this.holding(code, days) !== undefined
  }

  /** A yes with its own zones; asked and without zones, everywhere. Not asked: nobody knows where, the engine says so instead. */
  zones(code: string, days?: number): readonly string[] | 'all' {
    const fact = this.holding(code, days)
    if (fact === undefined || fact === 'unasked') return []
    return fact.zones ?? 'all'
  }

  said(code: string): Fact | undefined {
    const fact = this.last.get(code)
    return fact?.answer === 'yes' ? fact : undefined
  }

  /** Days since this was last done in this salon. */
  sinceWork(done: (visit: Visit['history'][number]) => boolean): number {
    const days = this.visit.history
      .filter((past) => past.on < this.visit.date && done(past))
      .map((past) => dayOf(this.visit.date) - dayOf(past.on))
    return Math.min(Infinity, ...days)
  }

  /** The last two visits with a lever were followed by little redness and stinging and by no other sign, and it is not long ago. */
  wasCalmTwice(lever: string): boolean {
    const used = this.visit.history
      .filter(({ on, levers }) => on < this.visit.date && levers.some((use) => use.lever === lever))
      .sort((a, b) => dayOf(b.on) - dayOf(a.on))
    const isCalm = ({ answer }: Visit['history'][number]) =>
      answer !== null && answer.stinging < 6 && Object.values(answer).every((sign) => sign !== true)
    const [last, before] = used
    const isRecent = last !== undefined && dayOf(this.visit.date) - dayOf(last.on) <= 84
    return isRecent && before !== undefined && [last, before].every(isCalm)
  }

  /** Zones in which this was seen or pinned, from a grade on. */
  seen(kind: string, grade = 1): readonly string[] {
    return this.visit.reading.findings
      .filter((finding) => finding.kind === kind && finding.grade >= grade)
      .flatMap((finding) => finding.zones)
  }

  pinned(...types: string[]): readonly string[] {
    return this.visit.reading.lesions
      .filter((lesion) => types.includes(lesion.type))
      .map((lesion) => lesion.zone)
  }

  get age(): number {
    return (dayOf(this.visit.date) - dayOf(this.visit.client.bornOn)) / 365.25
  }
}
