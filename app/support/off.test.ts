import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { NodeTypes, type ElementNode, type TemplateChildNode } from '@vue/compiler-core'
import { parse } from 'vue/compiler-sfc'

// No button waits without a word. What a whole page cannot do it says once at its top; what is under way says so itself; everything else
// carries its reason (`v-off`).

const APP = 'app'
const screens = readdirSync(APP, { recursive: true, encoding: 'utf8' }).filter((name) =>
  name.endsWith('.vue'),
)
/** Said once for the page or the list, or over in a moment. */
const SAID_ELSEWHERE = new Set([
  ...['disabled', 'store.locked', 'locked', 'isFixed', '!mayWrite', '!isOwner', '!mayPrice'],
  ...['busy', 'isBusy', 'store.saving > 0'],
])

function* elementsIn(nodes: readonly TemplateChildNode[]): Generator<ElementNode> {
  for (const node of nodes)
    if (node.type === NodeTypes.ELEMENT) {
      yield node
      yield* elementsIn(node.children)
    }
}
const disabledBy = (element: ElementNode): string | undefined => {
  const bound = element.props.find(
    (prop) =>
      prop.type === NodeTypes.DIRECTIVE &&
      prop.name === 'bind' &&
      prop.arg?.loc.source === 'disabled',
  )
  return bound?.type === NodeTypes.DIRECTIVE ? bound.exp?.loc.source : undefined
}
const buttons = screens.flatMap((name) => {
  const { template } = parse(readFileSync(join(APP, name), 'utf8')).descriptor
  const all = template?.ast ? [...elementsIn(template.ast.children)] : []
  return all
    .filter(({ tag }) => tag === 'button')
    .map((element) => ({ at: `${name}:${element.loc.start.line}`, disabled: disabledBy(element) }))
})

describe('a control that cannot do its work says why', () => {
  test('every screen is looked at', () => {
    expect(screens.length).toBeGreaterThan(200)
    expect(buttons.length).toBeGreaterThan(300)
  })
  test('no button is switched off without its reason', () => {
    const silent = buttons.filter(({ disabled }) =>
      disabled
        ?.replace(' ?? false', '')
        .split(' || ')
        .some((part) => !SAID_ELSEWHERE.has(part)),
    )
    expect(silent).toEqual([])
  })
})
