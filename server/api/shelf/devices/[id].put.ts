import { Device } from '#core/catalog/model'
import { defineThingPut } from '../../../utils/shelf'

export default defineThingPut('device', Device)
