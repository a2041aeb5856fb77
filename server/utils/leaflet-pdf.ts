import { getISODay, parseISO } from 'date-fns'
import pdfmake from 'pdfmake'
import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces'
import { dateAfter, dateInWords } from '#core/client'
import { HOME_ROLE_NAMES, marksOf, type HomePlan, type Leaflet } from '#core/homecare'

const FONT = 'DejaVu Sans'
const FILES = { normal: 'DejaVuSans.ttf', bold: 'DejaVuSans-Bold.ttf' } as const
const WEEK = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']

/** Where it reads its fonts from; its types do not have it. */
const files = (
  pdfmake as unknown as { virtualfs: { writeFileSync: (name: string, bytes: Buffer) => void } }
).virtualfs

let isReady = false
/** The letters are laid in once; nothing is ever fetched. */
async function prepare() {
  if (isReady) return
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy(() => false)
  for (const file of Object.values(FILES)) {
    const bytes = await useStorage('assets:fonts').getItemRaw<Uint8Array>(file)
    if (!bytes) throw new Error(`The font ${file} is not among the server's assets.`)
    files.writeFileSync(file, Buffer.from(bytes))
  }
  pdfmake.addFonts({ [FONT]: FILES })
  isReady = true
}

/** A leaflet as a PDF of one page where it fits: its parts, and the evenings until the next visit as a grid. `head`: whose it is, line by line. */
export async function leafletPdf(
  leaflet: Leaflet,
  plan: HomePlan,
  head: readonly string[],
): Promise<Buffer> {
  await prepare()
  const half = Math.ceil(leaflet.parts.length / 2)
  const left = leaflet.parts.slice(0, half)
  const right = leaflet.parts.slice(half)
  const content: Content = [
    { text: leaflet.title, fontSize: 20, margin: [0, 0, 0, 2] },
    ...head.map((text): Content => ({ text, color: '#554e42' })),
    {
      columns: [
        { width: '*', stack: left.flatMap(partContent) },
        { width: '*', stack: [...weeksContent(plan), ...right.flatMap(partContent)] },
      ],
      columnGap: 22,
    },
  ]
  return pdfmake
    .createPdf({
      info: { title: leaflet.title, creator: 'Zen Ladder' },
      pageSize: 'A4',
      pageMargins: [40, 36, 40, 36],
      defaultStyle: { font: FONT, fontSize: 8.5, lineHeight: 1.2 },
      content,
    })
    .getBuffer()
}

function partContent({ title, lines, isSteps }: Leaflet['parts'][number]): Content[] {
  const items = lines.map((text) => ({
    text,
    margin: [0, 0, 0, 2] as [number, number, number, number],
  }))
  return [titled(title), isSteps ? { ol: items } : { ul: items }]
}
const titled = (text: string): Content => ({
  text,
  bold: true,
  fontSize: 10.5,
  margin: [0, 9, 0, 3],
})

/** The evenings as the page shows them; nothing where nothing strong is in any. */
function weeksContent(plan: HomePlan): Content[] {
  const marks = marksOf(plan)
  if (marks.size === 0) return []
  const days = new Map(plan.days.map((day) => [day.date, day]))
  const monday = dateAfter(plan.on, 1 - getISODay(parseISO(plan.on)))
  const last = plan.days.at(-1)?.date ?? plan.on
  const rows: TableCell[][] = []
  for (let at = monday; at <= last; at = dateAfter(at, 7))
    rows.push(WEEK.map((_, nth) => dayCell(dateAfter(at, nth), plan, days, marks)))
  const table: ContentTable = {
    table: {
      widths: WEEK.map(() => '*'),
      body: [WEEK.map((text) => ({ text, fontSize: 7 })), ...rows],
    },
    layout: {
      hLineColor: '#c9bfac',
      vLineColor: '#c9bfac',
      hLineWidth: () => 0.5,
      vLineWidth: () => 0.5,
    },
  }
  const legend = plan.lines
    .filter(({ id }) => marks.has(id))
    .map(({ id, name, role }) => `${marks.get(id)} = ${name || HOME_ROLE_NAMES[role]}`)
  return [
    titled('Your evenings'),
    table,
    { text: [...legend, 'grey: the skin rests'].join(' · '), fontSize: 7, margin: [0, 2, 0, 0] },
  ]
}
function dayCell(
  date: string,
  plan: HomePlan,
  days: ReadonlyMap<string, HomePlan['days'][number]>,
  marks: ReadonlyMap<string, string>,
): TableCell {
  const day = days.get(date)
  const letters = [day?.morning, day?.evening]
    .flatMap((id) => (id ? [marks.get(id)!] : []))
    .join(' ')
  const isVisit = date === plan.on || date === plan.next?.on
  return {
    text: [
      { text: `${Number(date.slice(8))} `, fontSize: 6, color: '#554e42' },
      { text: isVisit ? 'visit' : letters, bold: true, fontSize: 7.5 },
    ],
    ...(day?.rests ? { fillColor: '#e4dccc' } : {}),
  }
}
export const leafletHead = (salon: string, address: string, who: string, on: string): string[] => [
  `${who} · ${dateInWords(on)}`,
  [salon, address].filter(Boolean).join(' · '),
]
