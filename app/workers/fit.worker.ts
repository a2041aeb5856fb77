import { expose } from 'comlink'
import { compile } from '#core/adapt'

expose({ compile })
