import { expose } from 'comlink'
import { compile } from '#core/adapt'
import { chances } from '#core/risk'

expose({ compile, chances })
