import { writeFileSync } from 'node:fs'
import { type Fact, QUESTIONS } from '#core/client'
import {
  bundleSchema,
  cardOf,
  cardSchema,
  clientFileSchema,
  intakeOf,
  intakeSchema,
} from '#core/formats'
import { CLIENTS } from '../demo/people'
import { BRIGHTENING } from '../demo/protocols'
import { DEMO_SHELF } from '../demo/shelf'

// Writes docs/formats: the JSON Schema of a bundle, generated from the models, and an example made from the demo.
const asked = '2026-11-24'
const wren = CLIENTS[0]!
const facts = [
  ...QUESTIONS.map((question) => ({ code: question.code, answer: 'no', askedOn: asked })),
  { code: 'allergy:pineapple', answer: 'yes', reaction: 'rash', askedOn: asked },
  { code: 'allergy:salicylates', answer: 'yes', askedOn: asked },
]
const example = {
  format: 'zen-ladder/bundle',
  version: 1,
  visit: { date: asked, daytime: true, slotMinutes: 90 },
  client: {
    id: 'wren',
    name: wren.name,
    bornOn: wren.bornOn,
    facts,
    memories: [],
    clearances: [],
    concerns: wren.concerns,
  },
  reading: { done: true, findings: wren.findings },
  history: [],
  protocol: BRIGHTENING,
  shelf: DEMO_SHELF,
  overrides: [],
}
const write = (name: string, value: unknown) =>
  writeFileSync(`docs/formats/${name}`, `${JSON.stringify(value, null, 2)}\n`)
write('bundle.schema.json', bundleSchema())
write('intake.schema.json', intakeSchema())
write(
  'example.intake.json',
  intakeOf(
    { name: wren.name, bornOn: wren.bornOn, concerns: [...wren.concerns], notes: [...wren.notes] },
    facts as Fact[],
    asked,
  ),
)
write('example.bundle.json', example)
write('client.schema.json', clientFileSchema())
write('protocol.schema.json', cardSchema())
write('example.protocol.json', cardOf(BRIGHTENING, DEMO_SHELF))
