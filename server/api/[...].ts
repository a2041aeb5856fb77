// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the app's project reads this file for its type, and would not find the module
/// <reference path="../api-routes.d.ts" />
import { API_ROUTES } from '#api-routes'
import { NotFound } from '#core/fault'
import { WrongMethod } from '../utils/problem'
import { methodsAt } from '../utils/routes'

/** What no route answers: an address that is not there, or one that is there for other methods. Never the page. */
export default defineEventHandler((event) => {
  const methods = methodsAt(API_ROUTES, event.path.split('?')[0]!)
  if (methods.length === 0)
    throw new NotFound({ code: 'no_route', detail: 'There is nothing at this address.' })
  const allowed = methods.join(', ')
  setResponseHeader(event, 'Allow', allowed)
  throw new WrongMethod({
    code: 'wrong_method',
    detail: `${event.method} is not known here. This address answers ${allowed}.`,
  })
})
