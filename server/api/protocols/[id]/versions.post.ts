import { z } from 'zod'
import { Course, Step, type ProtocolVersion } from '#core/protocol/model'
import { Conflict, Invalid } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { dropDraft, newestVersion, publishVersion } from '../../../db/protocol.sql'
import { BODY_MOST } from '../../../utils/body'
import { created } from '../../../utils/reply'
import { defineProtocolDoor } from '../../../utils/door'

const Body = z.strictObject({
  basedOn: z.number().int().min(0),
  note: z.string().trim().min(1).max(500),
  steps: z.array(Step).min(1).max(60),
  name: z.string().trim().min(1).max(120).optional(),
  methods: z.record(z.string(), z.string()).optional(),
  /** Left out: as before. Null: none. */
  course: Course.nullable().optional(),
})

type Before = Pick<ProtocolVersion, 'name' | 'version' | 'methods' | 'course'>

/** The version after another: what the body leaves out stays as it was. */
function versionAfter(before: Before, protocolId: string, body: z.infer<typeof Body>) {
  const { note, steps, name = before.name, methods = before.methods ?? {} } = body
  const version = before.version + 1
  const course = body.course === undefined ? before.course : body.course
  const id = `${protocolId}-v${version}`
  return { id, protocolId, name, version, note, steps, methods, ...(course ? { course } : {}) }
}

/** Publishes the next version of a protocol; visits keep pointing to the version they used. */
export default defineProtocolDoor(
  { can: 'protocol.write', body: Body, most: BODY_MOST.file },
  async ({ db, event, account, protocol, body }) => {
    const newest = await newestVersion(db, account.salon_id, protocol.id)
    const number = (newest?.version ?? 0) + 1
    if (number - 1 !== body.basedOn)
      throw new Conflict({
        code: 'published_meanwhile',
        detail: `Version ${number - 1} was published meanwhile. Open it again and repeat your change.`,
        path: 'basedOn',
      })
    const twice = body.steps.find(
      (step, at) => body.steps.findIndex((other) => other.id === step.id) !== at,
    )
    if (twice)
      throw new Invalid({
        code: 'step_twice',
        detail: `Two steps are called “${twice.id}”. Take one out and add it again.`,
        path: 'steps',
      })
    const version = versionAfter(newest ?? { version: 0, ...protocol }, protocol.id, body)
    await publishVersion(db, version, account.id)
    await dropDraft(db, protocol.id)
    await writeAudit(db, account.id, 'protocol.publish', 'protocol', protocol.id, {
      version: number,
    })

    return created(event, { id: version.id, version: number })
  },
)
