import {
  findingWords,
  zonesInWords,
  type Finding,
  type FindingKind,
  type Reading,
  type ZoneId,
} from '#core/skin'

/** Grades of one kind of finding by zone. */
export function gradesOf(
  reading: Pick<Reading, 'findings'> | undefined,
  kind: FindingKind,
): Map<ZoneId, number> {
  const grades = new Map<ZoneId, number>()
  for (const finding of reading?.findings ?? [])
    if (finding.kind === kind)
      for (const zone of finding.zones)
        grades.set(zone, Math.max(finding.grade, grades.get(zone) ?? 0))
  return grades
}

/** The reading with one kind of finding on these grades: one finding per grade, so that zones may differ. */
export function withGrades(
  reading: Reading,
  kind: FindingKind,
  grades: ReadonlyMap<ZoneId, number>,
): Reading {
  const byGrade = new Map<number, ZoneId[]>()
  for (const [zone, grade] of grades) byGrade.set(grade, [...(byGrade.get(grade) ?? []), zone])
  const own: Finding[] = [...byGrade]
    .sort(([a], [b]) => b - a)
    .map(([grade, zones]) => ({ kind, grade, zones }))
  return {
    ...reading,
    done: true,
    findings: [...reading.findings.filter((finding) => finding.kind !== kind), ...own],
  }
}

/** Paints zones with a grade; painting them again with the grade they have takes it off. Grade 0 takes it off. */
export function painted(
  reading: Reading,
  kind: FindingKind,
  zones: readonly ZoneId[],
  grade: number,
): Reading {
  const grades = gradesOf(reading, kind)
  const off = grade === 0 || zones.every((zone) => grades.get(zone) === grade)
  for (const zone of zones) {
    if (off) grades.delete(zone)
    else grades.set(zone, grade)
  }
  return withGrades(reading, kind, grades)
}

/** What is known of each zone besides one kind, in words. */
export function othersOn(reading: Reading, kind: FindingKind): Map<ZoneId, string[]> {
  const others = new Map<ZoneId, string[]>()
  for (const finding of reading.findings) {
    if (finding.kind === kind) continue
    const words = findingWords(finding.kind)
    for (const zone of finding.zones)
      others.set(zone, [
        ...(others.get(zone) ?? []),
        words.ungraded ? words.name.toLowerCase() : `${words.name.toLowerCase()} ${finding.grade}`,
      ])
  }
  return others
}

/** Findings in words, the strongest first: "Flushing, reactive 2 of 4: cheeks". */
export function findingsInWords(
  reading: Pick<Reading, 'findings'>,
): { kind: FindingKind; grade: number; words: string; where: string }[] {
  return [...reading.findings]
    .sort((a, b) => b.grade - a.grade)
    .map((finding) => {
      const words = findingWords(finding.kind)
      return {
        kind: finding.kind,
        grade: finding.grade,
        words: words.ungraded ? words.name : `${words.name} ${finding.grade} of 4`,
        where: zonesInWords(finding.zones),
      }
    })
}
