import { productById, useOf } from '../../catalog/shelf'
import type { Step } from '../../protocol/model'
import { segment } from '../../protocol/segments'
import { EYES, LIDS, withoutZones } from '../../skin/zones'
import { insert, fresh, each, onFace, isAcid, on, type Bench } from './bench'

export const setMask =
  (bench: Bench) =>
  (step: Step): boolean =>
    step.phase === 'mask' && bench.has(step, 'sets', 'self-heating')
export function afterSetMask(bench: Bench, how: string): readonly Step[] {
  const bare = bench.steps.filter((step) => step.byMethod !== bench.question)
  const mask = bare.findLast(setMask(bench))
  if (how !== 'rinse' || !mask) return bare
  return insert(
    bare,
    bare.indexOf(mask) + 1,
    fresh(on(bench, bare), 'damp', undefined, {
      title: 'Rinse what the mask leaves',
      closes: mask.id,
      segments: [
        segment('rinse', 'remove', [0.5, 1, 1.5], { tool: 'sponge', temperature: 'lukewarm' }),
      ],
    }),
  )
}

export const tray = (step: Step, item: string, wanted: boolean): Step => {
  const items = (step.tray ?? []).filter((other) => other !== item)
  const now = wanted ? [...items, item] : items
  const { tray: _, ...plain } = step
  return now.length > 0 ? { ...plain, tray: now } : plain
}
export const GLOVES_OFF = 'gloves off, hands washed'

export function gloves(bench: Bench, how: string): Step[] {
  const last = bench.steps.findLast((step) => step.phase === 'moisturise' || step.phase === 'sun')
  return each(
    bench,
    (step) => step.phase === 'moisturise' || step.phase === 'sun',
    (step) => {
      const plain = { ...step, segments: step.segments.filter((part) => part.id !== 'bare-hands') }
      const off = how === 'off' && step === last
      return tray(
        off
          ? { ...plain, segments: [segment('bare-hands', 'hygiene', 0.5), ...plain.segments] }
          : plain,
        GLOVES_OFF,
        off,
      )
    },
  )
}

/** Removal tools that a choice of cloth replaces; peeling, lifting and gauze on eyes and lips stay. */
export const CLOTHS = ['towel', 'sponge', 'mitt', 'gauze', 'compress']
export type Cloth = 'towel' | 'sponge' | 'gauze'
/** The cloth a school of removal stands for; undefined for one that stands for none. */
export const clothNamed = (school: string): Cloth | undefined =>
  (['towel', 'sponge', 'gauze'] as const).find((cloth) => cloth === school)

export function removal(bench: Bench, tool: Cloth): Step[] {
  const extracted = bench.steps.findIndex((step) => step.phase === 'extract')
  return bench.steps.map((step, index) => {
    if (!onFace(step) || step.floating) return step
    const own = extracted !== -1 && index > extracted && index <= extracted + 2 ? 'gauze' : tool
    return {
      ...step,
      segments: step.segments.map((part) =>
        part.kind === 'remove' && part.tool && CLOTHS.includes(part.tool)
          ? { ...part, tool: own }
          : part,
      ),
    }
  })
}

export function asProduct(bench: Bench, step: Step): Step {
  const parts =
    useOf(productById(bench.shelf, step.product?.productId), step.product?.useId)?.segments ?? []
  return {
    ...step,
    segments: step.segments.map((part) => {
      const own = parts.find((other) => other.id === part.id && other.kind === 'remove')
      return own?.tool ? { ...part, tool: own.tool } : part
    }),
  }
}

export function eyeContour(bench: Bench, how: string): Step[] {
  return each(bench, setMask(bench), (step) => {
    const bare = {
      ...step,
      zones: withoutZones(step.zones, EYES),
      properties: step.properties.filter((property) => property !== 'over-lids'),
    }
    const over =
      how === 'over-lids'
        ? {
            ...bare,
            zones: [...bare.zones, ...LIDS],
            properties: [...bare.properties, 'over-lids' as const],
            say: 'It lies over your closed lids. Say the word and it stays off them.',
          }
        : bare
    return tray(over, 'eye pads', how === 'pads')
  })
}

export function patchTest(bench: Bench, how: string): readonly Step[] {
  const bare = bench.steps.filter(
    (step) =>
      step.byMethod !== bench.question && !(how === 'delayed' && step.gate === 'quick-check'),
  )
  const strong = bare.find((step) => bench.has(step, 'strong-active') || isAcid(bench)(step))
  if (how !== 'quick' || !strong || bare.some((step) => step.gate === 'quick-check')) return bare
  const place = bare.findIndex((step) => step.gate === 'lamp')
  return insert(
    bare,
    place === -1 ? bare.indexOf(strong) : place,
    fresh(on(bench, bare), 'check', undefined, { checks: strong.id, closes: strong.id }),
  )
}

export const technique = (bench: Bench, found: (step: Step) => boolean, words: string): Step[] =>
  each(bench, found, (step) => ({ ...step, technique: words }))
