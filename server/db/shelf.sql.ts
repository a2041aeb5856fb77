import { z } from 'zod'
import { Device, Product, type Shelf } from '../../core/catalog/model'
import { change, many, type Db } from './rows'

/** The salon's shelf, in its own order. Stock comes from its column, the rest of a product is stored whole. */
export async function loadShelf(db: Db, salonId: string): Promise<Shelf> {
  const [products, devices] = [
    await many(db, z.object({ body: z.unknown(), stock: z.coerce.number() }), 'SELECT body, stock FROM product WHERE salon_id = $1 ORDER BY position', [salonId]),
    await many(db, z.object({ body: Device }), 'SELECT body FROM device WHERE salon_id = $1 ORDER BY position', [salonId]),
  ]
  return { products: products.map((row) => Product.parse({ ...(row.body as object), stock: row.stock })), devices: devices.map((row) => row.body) }
}

export async function saveShelf(db: Db, salonId: string, shelf: Shelf) {
  for (const [at, product] of shelf.products.entries()) await change(db, 'INSERT INTO product (id, salon_id, name, kind, position, stock, body) VALUES ($1, $2, $3, $4, $5, $6, $7)', [product.id, salonId, product.name, product.kind, at, product.stock, product])
  for (const [at, device] of shelf.devices.entries()) await change(db, 'INSERT INTO device (id, salon_id, name, position, body) VALUES ($1, $2, $3, $4, $5)', [device.id, salonId, device.name, at, device])
}
