import { expect, it } from 'vitest'
import { methodsAt } from './routes'

const ROUTES = [
  { route: '/api/visits', method: 'post' },
  { route: '/api/visits/:id', method: 'get' },
  { route: '/api/visits/walk-in', method: 'post' },
  { route: '/api/visits/:id/photos/:photoId', method: 'get' },
]

it.each([
  ['/api/visits', ['POST']],
  ['/api/visits/7', ['GET']],
  ['/api/visits/walk-in', ['GET', 'POST']],
  ['/api/visits/7/photos/8', ['GET']],
  ['/api/visits/', []],
  ['/api/visits/7/photos', []],
  ['/api', []],
])('%s answers %j', (path, methods) => {
  expect(methodsAt(ROUTES, path)).toEqual(methods)
})
