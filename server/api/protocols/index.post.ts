import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { missingFrom, readCard, withoutNext } from '#core/formats'
import { Invalid, NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { addProtocol, draftOf, newestVersion, saveDraft, type Draft } from '../../db/protocol.sql'
import type { Db } from '../../db/rows'
import { BODY_MOST } from '../../utils/body'
import { shelfToday } from '../../utils/shelf'
import { created } from '../../utils/reply'
import { defineDoor } from '../../utils/door'

const Body = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('nothing'), name: z.string().trim().min(1).max(120) }),
  z.strictObject({
    from: z.literal('protocol'),
    id: z.string(),
    name: z.string().trim().min(1).max(120),
  }),
  z.strictObject({ from: z.literal('file'), file: z.unknown() }),
])
const FAULTS_SHOWN = 5

/** A new protocol: empty, a copy, or from a file. It starts as a draft; nothing can be booked before it is published. */
export default defineDoor(
  { can: 'protocol.write', body: Body, most: BODY_MOST.file },
  async ({ db, event, account, body }) => {
    const { draft, missing } = await startOf(db, body, account.salon_id)
    const id = randomUUID()
    await addProtocol(db, account.salon_id, id, draft.name)
    await saveDraft(db, id, draft, account.id)
    await writeAudit(db, account.id, 'protocol.create', 'protocol', id, { from: body.from })

    return created(event, { id, missing })
  },
)

type Source = Pick<Draft, 'name' | 'steps'> & {
  readonly methods?: Draft['methods'] | undefined
  readonly course?: Draft['course'] | undefined
}
const draftFrom = ({ name, steps, methods, course }: Source): Draft => ({
  basedOn: 0,
  name,
  steps,
  methods: methods ?? {},
  course: course ?? null,
})

async function startOf(
  db: Db,
  body: z.infer<typeof Body>,
  salonId: string,
): Promise<{ draft: Draft; missing: string[] }> {
  if (body.from === 'nothing')
    return {
      draft: { basedOn: 0, name: body.name, steps: [], methods: {}, course: null },
      missing: [],
    }
  if (body.from === 'protocol') {
    const source = (await newestVersion(db, salonId, body.id)) ?? (await draftOf(db, body.id))
    if (!source)
      throw new NotFound({
        code: 'no_protocol',
        detail: 'There is no such protocol to copy.',
        path: 'id',
      })
    return { draft: { ...draftFrom(source), name: body.name }, missing: [] }
  }
  const read = readCard(body.file)
  if (!read.ok) {
    const more = read.faults.length - FAULTS_SHOWN
    throw new Invalid({
      code: 'bad_file',
      detail: `This is not a good protocol file. ${read.faults
        .slice(0, FAULTS_SHOWN)
        .map((fault) => `${fault.path}: ${fault.says}`)
        .join('; ')}${more > 0 ? `; and ${more} more` : ''}. Nothing was taken in.`,
      path: read.faults[0]!.path,
      faults: [...read.faults],
    })
  }
  const { protocol } = read.card
  const draft = draftFrom(protocol)
  return {
    draft: { ...draft, course: draft.course && withoutNext(draft.course) },
    missing: missingFrom(read.card, await shelfToday(db, salonId, protocol.steps)),
  }
}
