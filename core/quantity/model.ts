import { z } from 'zod'
import { MEASURES } from './words'

/** A salon measure of one product. `per` is one measure in g or mL; `calibration` keeps how that was found. */
export const SalonMeasure = z.strictObject({
  name: z.enum(MEASURES),
  unit: z.enum(['g', 'mL']),
  per: z.number().positive(),
  calibration: z
    .strictObject({ count: z.number().positive(), total: z.number().positive() })
    .optional(),
})
export type SalonMeasure = z.infer<typeof SalonMeasure>
