import { changeKey } from '#core/adapt'
import { lastTime } from '#core/perform'
import { listPatchTests } from '../db/evidence.sql'
import { listDisputes } from '../db/client.sql'
import { listConsents, newestTexts } from '../db/consent.sql'
import { listPhotos } from '../db/photo.sql'
import { listKits, openingsOf } from '../db/things.sql'
import { usesOf } from '../db/use.sql'
import { protocolNamed } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import { visitsBeside } from '../db/beside.sql'
import { followingVisit, nextVisitOf, type VisitRow } from '../db/visit.sql'
import { latestPlan, listTicks, shownPlan } from '../db/plan.sql'
import { listEvents } from '../db/run.sql'
import { nextNotes, outcomeOf, visitBefore } from '../db/outcome.sql'
import { homeOf } from '../db/home.sql'
import { readingBefore } from '../db/reading.sql'
import { moneyOf } from './money'
import { compileInputOf } from './visit-input'

/** Everything one visit's six stages show: what the plan is made from, the stored plan, the tray, the run log, the outcome. */
export async function visitData(db: Db, visit: VisitRow) {
  const plan = await latestPlan(db, visit.id)
  const input = await compileInputOf(db, visit)
  const outcome = await outcomeOf(db, visit.id)
  const next = await nextVisitOf(db, visit)
  const courseNext = await protocolNamed(db, visit.salon_id, input.protocol.course?.next)
  const following = await followingVisit(db, visit)
  return {
    visit: headOf(visit),
    input,
    plan: plan ? shownPlan(plan) : null,
    /** Questions that two tablets answered differently. */
    disputes: await listDisputes(db, visit.client_id),
    patchTests: await listPatchTests(db, visit.client_id),
    consents: await listConsents(db, visit.client_id),
    texts: await newestTexts(db, visit.salon_id),
    photos: await listPhotos(db, visit.client_id, visit.time_zone),
    lastReading: (await readingBefore(db, visit)) ?? null,
    ...(await visitBeforeOf(db, visit)),
    /** Noted for this time, and not ticked yet. */
    nextNotes: await nextNotes(db, visit),
    ticks: await listTicks(db, visit.id),
    events: await listEvents(db, visit.id),
    outcome: outcome ?? null,
    money: await moneyOf(db, visit.salon_id, input.protocol.protocolId),
    kits: await listKits(db, visit.salon_id),
    openings: await openingsOf(db, visit.client_id),
    home: await homeOf(db, visit),
    used: await usesOf(db, visit.id),
    /** The card that follows this one in its course, where it still can be booked. */
    courseNext,
    // Only when it is: in Perform nobody reads another client's name.
    following: following ? { startsAt: following.starts_at } : null,
    /** Visits that take turns with this one. */
    beside: await visitsBeside(db, visit),
    next: next ? { id: next.id, startsAt: next.starts_at, protocol: next.protocol_name } : null,
  }
}

const headOf = (visit: VisitRow) => ({
  id: visit.id,
  clientId: visit.client_id,
  client: visit.client_name,
  walkIn: visit.walk_in,
  room: visit.room_name,
  roomId: visit.room_id,
  practitioner: visit.practitioner_name,
  practitionerId: visit.practitioner_id,
  protocol: visit.protocol_name,
  startsAt: visit.starts_at,
  endsAt: visit.ends_at,
  /** Until when its room is taken, turnover included. */
  roomUntil: visit.room_until,
  stage: visit.stage,
  lockedAt: visit.locked_at,
  timeZone: visit.time_zone,
})

/** The visit before this one: what the skin answered, what was felt and done otherwise, and what changed then and why, so that the same today is said quietly. */
async function visitBeforeOf(db: Db, visit: VisitRow) {
  const before = await visitBefore(db, visit)
  const stored = before && (await latestPlan(db, before.id))
  const lastChanges = stored?.plan.changes.map(changeKey) ?? []
  const told = stored ? lastTime(stored.plan, await listEvents(db, before.id)) : null
  return { lastVisit: before ? { ...before, told } : null, lastChanges }
}
