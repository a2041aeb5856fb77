import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { Invalid } from '#core/fault'
import { writeAudit } from '../db/access.sql'
import { CONSENT_KINDS, newestTexts, publishText } from '../db/consent.sql'
import { created } from '../utils/reply'
import { defineDoor } from '../utils/door'

const Body = z.strictObject({
  kind: z.enum(CONSENT_KINDS),
  /** The version that was read before it was changed. */ after: z.number().int().min(0),
  title: z.string().trim().min(3).max(120),
  body: z.string().trim().min(40).max(8000),
})

/** Publishes new words for one kind of consent. Older versions stay with the signatures under them. */
export default defineDoor(
  { can: 'rules.write', body: Body },
  async ({ db, event, account, body: words }) => {
    const { kind, after, title, body } = words
    const newest =
      (await newestTexts(db, account.salon_id)).find((text) => text.kind === kind)?.version ?? 0
    if (after > newest)
      throw new Invalid({
        code: 'no_version',
        detail: `There is no version ${after} of these words.`,
        path: 'after',
      })
    // Two at once make the same version: the database lets one of them in.
    const text = { id: randomUUID(), kind, version: after + 1, title, body }
    await publishText(db, account.salon_id, text)
    await writeAudit(db, account.id, 'consent.publish', 'consent_text', text.id, {
      kind,
      version: text.version,
    })
    return created(event, { id: text.id, version: text.version })
  },
)
