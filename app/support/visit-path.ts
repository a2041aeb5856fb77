/** What a path of the server is about: of `/api/visits/:id/fit`, the visit and `fit`. */
export function visitPath({ path }: { readonly path: string }): {
  readonly visitId: string
  readonly part: string
} {
  const [, , , visitId = '', part = ''] = path.split('/')
  return { visitId, part }
}
