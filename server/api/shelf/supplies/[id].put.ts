import { Supply } from '#core/catalog/model'
import { defineThingPut } from '../../../utils/shelf'

export default defineThingPut('supply', Supply)
