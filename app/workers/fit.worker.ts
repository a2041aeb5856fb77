import { expose } from 'comlink'
import { compile, sketch, slotOptions, standIns } from '#core/adapt'
import { applyMethod } from '#core/compose'
import { layOut } from '#core/costing'
import { chances } from '#core/risk'
import { weighCard } from './weigh-card'

expose({ compile, chances, sketch, slotOptions, applyMethod, layOut, standIns, weighCard })
