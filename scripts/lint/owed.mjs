/**
 * Files that do not keep a limit yet, and which one. The list only ever gets shorter: a file that keeps its limits is taken out,
 * and nothing is put in.
 */
export const OWED = [
  { files: ['core/adapt/gates.test.ts'], rules: ['max-lines'] },
  { files: ['core/adapt/rules.test.ts'], rules: ['house/function-lines', 'max-lines'] },
  { files: ['core/catalog/inci.test.ts'], rules: ['max-lines'] },
  { files: ['core/compose/compose.test.ts'], rules: ['max-lines'] },
  { files: ['core/costing/costing.test.ts'], rules: ['max-lines'] },
  { files: ['core/mixing/mixing.test.ts'], rules: ['max-lines'] },
  { files: ['core/safety/law.test.ts'], rules: ['max-lines'] },
  { files: ['core/schedule/place.test.ts'], rules: ['complexity'] },
  { files: ['core/skin/skin.test.ts'], rules: ['max-lines'] },
  { files: ['scripts/screenshots.mjs'], rules: ['house/function-lines'] },
  { files: ['tests/api/consult.test.ts'], rules: ['max-lines'] },
  { files: ['tests/api/migrate.test.ts'], rules: ['house/function-lines'] },
  { files: ['tests/api/protocols.test.ts'], rules: ['house/function-lines'] },
  { files: ['tests/api/shelf.test.ts'], rules: ['house/function-lines', 'max-lines'] },
  { files: ['tests/api/visit.test.ts'], rules: ['max-lines'] },
  { files: ['tests/demo-visit.ts'], rules: ['house/function-lines'] },
  { files: ['tests/e2e/builder.spec.ts'], rules: ['house/function-lines', 'max-lines'] },
  { files: ['tests/e2e/consult.spec.ts'], rules: ['max-lines'] },
  { files: ['tests/e2e/screens.spec.ts'], rules: ['house/function-lines', 'max-lines'] },
  { files: ['tests/e2e/shelf.spec.ts'], rules: ['max-lines'] },
  { files: ['tests/e2e/whole-path.spec.ts'], rules: ['house/function-lines'] },
  { files: ['tests/oracle.ts'], rules: ['complexity', 'house/function-lines'] },
  { files: ['tests/random-ladder.ts'], rules: ['house/function-lines', 'no-nested-ternary'] },
]
