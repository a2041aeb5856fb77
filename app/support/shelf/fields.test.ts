import { describe, expect, it } from 'vitest'
import type { Device, Product } from '#core/catalog'
import {
  levelsChanged,
  listTyped,
  newDevice,
  startShare,
  suppliesUsed,
  supplyChanged,
  zoneAdded,
  zoneRemoved,
} from './device-fields'
import {
  additiveInto,
  mixingChanged,
  setsBy,
  setsRows,
  waterChanged,
  withSetsRow,
  withSetsRowChanged,
} from './mixing-fields'
import {
  activeChanged,
  activeRemoved,
  COMMON_PROPERTIES,
  finishChanged,
  homeChanged,
  makerChanged,
  makerMinutes,
  makerSource,
  NEW_PRODUCT,
  packChanged,
  packUnitMinor,
  RARE_PROPERTIES,
  substituteAdded,
  substituteRemoved,
} from './product-fields'
import { PROPERTIES } from '#core/protocol'

describe('a product', () => {
  const TWO = {
    ...NEW_PRODUCT,
    actives: [
      { name: 'lactic', percent: 5 },
      { name: 'retinol', percent: 0.1 },
    ],
  }
  it('changes one active and leaves the other', () => {
    expect(activeChanged(TWO, 1, { percent: 0.2 }).actives).toEqual([
      { name: 'lactic', percent: 5 },
      { name: 'retinol', percent: 0.2 },
    ])
    expect(activeRemoved(TWO, 0).actives.map(({ name }) => name)).toEqual(['retinol'])
  })
  it('has a plain finish until one is said', () => {
    expect(finishChanged(NEW_PRODUCT, { cast: 'white' }).finish).toEqual({
      cast: 'white',
      grease: 'satin',
      tint: false,
    })
  })
  it('goes home as a moisturiser until it is said otherwise, at once as in the salon', () => {
    const first = homeChanged(NEW_PRODUCT, {})
    expect(first.takeHome).toEqual({
      ...{ role: 'moisturiser', times: ['morning', 'evening'] },
      ...{ amount: 50, priceMinor: 0, count: 0 },
    })
    const said = homeChanged({ ...NEW_PRODUCT, ...first } as Product, { role: 'eye', dose: 0.1 })
    expect(said.takeHome).toMatchObject({ role: 'eye', amount: 50, dose: 0.1 })
    const unsaid = homeChanged({ ...NEW_PRODUCT, ...said } as Product, { dose: undefined })
    expect(unsaid.takeHome).not.toHaveProperty('dose')
  })
  it('costs what its pack costs, by the gram', () => {
    const { pack } = packChanged(NEW_PRODUCT, { amount: 30, priceMinor: 1000 })
    expect(packUnitMinor(pack)).toBe(33.33)
  })
  it('keeps what its maker prints only with where it stands, the usual minutes never above the most', () => {
    expect(makerChanged(NEW_PRODUCT, { daysBetween: 7 })).toEqual({})
    const said = { ...NEW_PRODUCT, ...makerSource(NEW_PRODUCT, 'Leaflet of March') } as Product
    const timed = { ...said, ...makerMinutes(said, { usual: 12 }) } as Product
    expect(timed.maker).toEqual({ source: 'Leaflet of March', minutes: { usual: 12, most: 12 } })
    expect(makerMinutes(timed, { most: 10 }).maker?.minutes).toEqual({ usual: 10, most: 10 })
    expect(makerMinutes(timed, { most: 15 }).maker?.minutes).toEqual({ usual: 12, most: 15 })
    expect(makerChanged(timed, { minutes: undefined })).toEqual({
      maker: { source: 'Leaflet of March' },
    })
    expect(makerSource(timed, '')).toEqual({ maker: undefined })
  })
  it('keeps its stand-ins in the order they were given', () => {
    const { substitutes } = substituteAdded({ ...NEW_PRODUCT, substitutes: ['a'] }, 'b')
    expect(substitutes).toEqual(['a', 'b'])
    expect(substituteRemoved({ ...NEW_PRODUCT, substitutes }, 'a').substitutes).toEqual(['b'])
  })
  it('is asked for every property once: the common ones, then the others', () => {
    const asked = [...COMMON_PROPERTIES, ...RARE_PROPERTIES]
    expect(new Set(asked).size).toBe(asked.length)
    // What a maker prints or the list of ingredients says is never ticked.
    expect(
      [...asked, 'off-warm', 'off-lukewarm', 'printed-minutes', 'mineral', 'scented'].sort(),
    ).toEqual([...PROPERTIES].sort())
  })
})

describe('its mixing', () => {
  it('is none when its last field goes', () => {
    expect(mixingChanged({ restS: 60 }, { restS: undefined })).toEqual({ mixing: undefined })
    expect(mixingChanged({ restS: 60 }, { bowl: 'bowl' }).mixing).toEqual({
      restS: 60,
      bowl: 'bowl',
    })
  })
  it('has the usual water where only one limit is said', () => {
    expect(waterChanged({}, 'most', 35).waterC).toEqual({ least: 15, usual: 20, most: 35 })
  })
  it('sets by one row or by a table', () => {
    expect(setsBy('')).toBeUndefined()
    const alginate = setsBy('alginate')!
    expect(setsRows(alginate)).toHaveLength(1)
    expect(setsRows(withSetsRowChanged(alginate, 0, { setsS: 500 }))[0]).toMatchObject({
      setsS: 500,
    })
    const table = withSetsRow(setsRows(setsBy('table')))
    expect(setsRows(table).map(({ celsius }) => celsius)).toEqual([20, 22])
  })
  it('goes into one kind or into anything', () => {
    expect(additiveInto({ mostPercent: 5 }, 'mask').additive).toEqual({
      mostPercent: 5,
      into: ['mask'],
    })
    expect(additiveInto({ mostPercent: 5, into: ['mask'] }, '').additive).toEqual({
      mostPercent: 5,
    })
  })
})

describe('a device', () => {
  const LAMP: Device = newDevice('lamp')
  it('has a scale from one to ten until another is said', () => {
    const { levels } = levelsChanged(LAMP, { to: 5 })
    expect(levels).toEqual({ from: 1, to: 5, start: 1, unit: 'level' })
    expect(startShare({ from: 0, to: 10, start: 4, unit: 'W' })).toBe(0.4)
    expect(startShare({ from: 3, to: 3, start: 3, unit: 'W' })).toBe(0)
  })
  it('has no zone order when its last zone goes', () => {
    const { zoneOrder } = zoneAdded(LAMP, 'chin')
    expect(zoneOrder).toEqual(['chin'])
    expect(zoneRemoved({ ...LAMP, zoneOrder: ['chin'] }, 0)).toEqual({ zoneOrder: undefined })
  })
  it('uses up what is counted, and nothing of what is counted at none', () => {
    const { consumables } = supplyChanged(LAMP, 'tips', 2)
    const used = { ...LAMP, consumables: consumables! }
    expect(suppliesUsed(used, 'tips')).toBe(2)
    expect(supplyChanged(used, 'tips', 0).consumables).toEqual([])
    expect(suppliesUsed(LAMP, 'tips')).toBe(0)
  })
  it('is set up by what was typed with commas', () => {
    expect(listTyped(' gel, goggles ,, switch on')).toEqual(['gel', 'goggles', 'switch on'])
  })
})
