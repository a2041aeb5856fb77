import { dropDatabase } from './lib/databases'

// Drops the demo's database, for whoever makes databases: ZEN_DEMO_ADMIN_URL.
await dropDatabase(process.env.ZEN_DEMO_ADMIN_URL ?? '')
