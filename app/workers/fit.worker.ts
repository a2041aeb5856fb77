import { expose } from 'comlink'
import { compile, sketch, slotOptions } from '#core/adapt'
import { applyMethod } from '#core/compose'
import { chances } from '#core/risk'

expose({ compile, chances, sketch, slotOptions, applyMethod })
