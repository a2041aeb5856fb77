// The limits of this house that no package holds.

const linesOf = (node) => node.loc.end.line - node.loc.start.line + 1

/** A group of tests is no function to be read as one: each test in it is. */
const isGroupOfTests = (node) =>
  node.parent?.type === 'CallExpression' && /\bdescribe\b/.test(nameOf(node.parent.callee))

function nameOf(callee) {
  if (callee.type === 'Identifier') return callee.name
  if (callee.type === 'MemberExpression') return `${nameOf(callee.object)}.${callee.property.name}`
  if (callee.type === 'CallExpression') return nameOf(callee.callee)
  return ''
}

const functionLines = {
  meta: { type: 'suggestion', schema: [{ type: 'integer' }] },
  create(context) {
    const most = context.options[0]
    const check = (node) => {
      const lines = linesOf(node)
      if (lines <= most || isGroupOfTests(node)) return
      context.report({
        loc: { start: node.loc.start, end: node.loc.start },
        message: `A function of ${lines} lines; ${most} at most.`,
      })
    }
    return {
      FunctionDeclaration: check,
      FunctionExpression: check,
      ArrowFunctionExpression: check,
    }
  },
}

const templateFunctions = {
  meta: { type: 'suggestion', schema: [] },
  create(context) {
    const check = (node) => {
      if (linesOf(node) === 1) return
      context.report({ node, message: 'A function of several lines belongs in the script.' })
    }
    const services = context.sourceCode.parserServices
    return services.defineTemplateBodyVisitor({
      'VAttribute ArrowFunctionExpression': check,
      'VAttribute FunctionExpression': check,
    })
  },
}

export default {
  rules: { 'function-lines': functionLines, 'template-functions': templateFunctions },
}
