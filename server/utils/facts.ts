import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import type { Fact } from '#core/client'
import type { Account } from '../db/access.sql'
import { addDispute, addFact, standingAnswer, type Side } from '../db/client.sql'
import type { VisitRow } from '../db/visit.sql'

interface Told {
  readonly id: string
  readonly fact: Fact
  /** The answer that stood there when this one was given; null: none. Left out: nobody says. */
  readonly seen?: Fact['answer'] | null | undefined
  /** Answers of the same hand to the same question since then, by their ids. */
  readonly own?: readonly string[] | undefined
}

/**
 * Appends answers. One that was given without sight of what somebody else was told meanwhile, and says otherwise, is appended too; after it, that
 * the question is not known: neither tablet's word goes over the other's.
 */
export async function takeFacts(
  db: PoolClient,
  { client_id: clientId }: Pick<VisitRow, 'client_id'>,
  account: Account,
  told: readonly Told[],
): Promise<void> {
  for (const [at, { id, fact, seen, own = [] }] of told.entries()) {
    const there = await standingAnswer(db, clientId, fact.code, own)
    const isNew = await addFact(db, id, clientId, fact, account.id, `facts.${at}.id`)
    if (!isNew || !there || !isDisputed(there.answer, fact.answer, seen)) continue
    const here = { answer: fact.answer, by: account.name, at: new Date().toISOString() }
    await addDispute(db, randomUUID(), clientId, asDispute(fact, here, there), [here, there])
  }
}

const isDisputed = (there: Fact['answer'], here: Fact['answer'], seen: Told['seen']): boolean =>
  seen !== undefined && there !== seen && there !== here

const asDispute = ({ code, askedOn }: Fact, here: Side, there: Side) => ({
  ...{ code, askedOn },
  note: `Answered differently on two tablets: ${here.answer} (${here.by}), ${there.answer} (${there.by}). Ask again.`,
})
