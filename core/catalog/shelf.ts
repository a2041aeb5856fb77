import type { Device, Product, Shelf, Use } from './model'

/** The product of an id, or undefined when the shelf does not have it. */
export const productById = (shelf: Shelf, id: string | undefined): Product | undefined => shelf.products.find((product) => product.id === id)
/** The device of an id, or undefined. */
export const deviceById = (shelf: Shelf, id: string | undefined): Device | undefined => shelf.devices.find((device) => device.id === id)
/** A product's use by id, or undefined. */
export const useOf = (product: Product | undefined, useId: string | undefined): Use | undefined => product?.uses.find((use) => use.id === useId)
