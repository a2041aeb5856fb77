import { Kit } from '#core/catalog/model'
import { defineThingPut } from '../../../utils/shelf'

export default defineThingPut('kit', Kit)
