import { z } from 'zod'
import { Product } from '#core/catalog/model'
import { WATER } from '#core/catalog'
import { Conflict, Invalid, NotFound } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import type { Db } from '../../../../db/rows'
import { insertProduct, productOf, productsByIds, updateProduct } from '../../../../db/product.sql'
import { shelfId } from '../../../../utils/shelf'
import { defineDoor } from '../../../../utils/door'

/** `seenAt`: the state that was changed; left out for a new product. */
const Body = z.strictObject({ product: Product, seenAt: z.string().max(40).optional() })

/** Writes a product whole. A change over a state that is no longer the newest is refused, so that nobody's words are lost. */
export default defineDoor(
  { can: 'shelf.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = shelfId(event)
    const { product, seenAt } = body
    if (product.id !== id)
      throw new Invalid({
        code: 'other_id',
        detail: 'The id in the body is not the one in the path.',
        path: 'product.id',
      })
    await requireParts(db, account.salon_id, product)
    const changedAt =
      seenAt === undefined
        ? await insertProduct(db, account.salon_id, product)
        : await updateProduct(db, account.salon_id, product, seenAt)
    if (changedAt === undefined) throw await refused(db, account.salon_id, id, seenAt)
    await writeAudit(db, account.id, 'product.write', 'product', id)
    return { changedAt }
  },
)

/** Why a product was not written. */
async function refused(db: Db, salonId: string, id: string, seenAt: string | undefined) {
  if (seenAt === undefined)
    return new Conflict({
      code: 'taken',
      detail: `The shelf has a product “${id}” already. Give this one another name.`,
      path: 'product.id',
    })
  if (!(await productOf(db, salonId, id)))
    return new NotFound({
      code: 'no_product',
      detail: 'There is no such product on this shelf.',
      path: 'id',
    })
  return new Conflict({
    code: 'changed_meanwhile',
    detail:
      'Somebody changed this product meanwhile. Open it again; what you typed is still here to copy.',
  })
}

/** A house mix is made of products of this shelf, and of no other mix. */
async function requireParts(db: Db, salonId: string, { recipe }: Product) {
  const ids = (recipe?.parts ?? []).map((part) => part.productId).filter((part) => part !== WATER)
  const found = await productsByIds(db, salonId, ids)
  for (const [at, part] of ids.entries()) {
    const product = found.get(part)
    if (!product)
      throw new Invalid({
        code: 'no_part',
        detail: `“${part}” is not on this shelf.`,
        path: `product.recipe.parts.${at}.productId`,
      })
    if (product.recipe)
      throw new Invalid({
        code: 'mix_in_mix',
        detail: `${product.name} is a mix itself. Name its parts.`,
        path: `product.recipe.parts.${at}.productId`,
      })
  }
}
