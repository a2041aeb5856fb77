import { randomUUID } from 'node:crypto'
import { basename } from 'node:path'
import type pg from 'pg'
import { isCopyDue } from '#core/salon'
import { addCopyRun, copyStanding, houseChoices } from '../server/db/copies.sql'
import { hasSalon } from '../server/db/salon.sql'
import { allErasures, eraseClient, type Erasure } from '../server/db/rights.sql'
import { connected } from './lib/databases'

// What has to be asked of the database around a copy, as the owner of the tables (ZEN_MIGRATE_URL). One line of JSON in the argument, one out.

type Asked =
  | { readonly do: 'look' | 'due' }
  | { readonly do: 'empty' }
  | {
      readonly do: 'kept'
      readonly file: string
      readonly bytes: number
      readonly says: string
      readonly ok: boolean
    }
  | {
      readonly do: 'erase'
      readonly erasures: readonly Pick<Erasure, 'clientId' | 'salonId' | 'why'>[]
    }

/** The queries of the server take a connection of the pool; one of ours does as well. */
const asDb = (client: pg.Client) => client as unknown as pg.PoolClient

async function look(client: pg.Client) {
  const { rows } = await client.query<{ there: boolean }>(
    "SELECT to_regclass('public.erasure') IS NOT NULL AS there",
  )
  if (!rows[0]!.there) return { hasSalon: false, erasures: [] }
  return { hasSalon: await hasSalon(asDb(client)), erasures: await allErasures(asDb(client)) }
}

/** What the copies are to be like, where one is due now. */
async function due(client: pg.Client) {
  const house = await houseChoices(asDb(client))
  if (!house) return {}
  const { copies } = house.choices
  const isDue = isCopyDue(copies, await copyStanding(asDb(client)), new Date(), house.timeZone)
  return isDue ? { wish: { folder: copies.folder, keep: copies.count } } : {}
}

/** Takes away the empty tables that a first start has made: a copy brings its own. */
async function empty(client: pg.Client) {
  await client.query('DROP SCHEMA public CASCADE')
  await client.query('CREATE SCHEMA public')
  return {}
}

async function eraseAgain(
  client: pg.Client,
  erasures: readonly Pick<Erasure, 'clientId' | 'salonId' | 'why'>[],
) {
  let erased = 0
  for (const { clientId, salonId, why } of erasures) {
    await client.query("SELECT set_config('zen.salon', $1, false)", [salonId])
    if ((await eraseClient(asDb(client), clientId, null, why)) !== null) erased++
  }
  return { erased }
}

function answer(client: pg.Client, asked: Asked): Promise<object> {
  switch (asked.do) {
    case 'look':
      return look(client)
    case 'due':
      return due(client)
    case 'empty':
      return empty(client)
    case 'erase':
      return eraseAgain(client, asked.erasures)
    case 'kept': {
      const { file, bytes, says, ok } = asked
      return addCopyRun(asDb(client), randomUUID(), { file: basename(file), bytes, says, ok }).then(
        () => ({}),
      )
    }
  }
}

const asked = JSON.parse(process.argv[2] ?? '{}') as Asked
console.log(
  JSON.stringify(
    await connected(process.env.ZEN_MIGRATE_URL ?? '', (client) => answer(client, asked)),
  ),
)
