import { readFileSync } from 'node:fs'
import { compile, hasLadder } from '#core/adapt'
import { check, inputOf, readBundle } from '#core/formats'
import { homeInputOf, homePlan } from '#core/homecare'

/** Exit codes: 0 done; 1 the file is not a good bundle; 2 wrong call; 3 no plan is possible; 4 the check found something wrong. */
const USAGE = `Usage:
  npm run -s zen -- plan FILE.json    prints the fitted plan as JSON
  npm run -s zen -- home FILE.json    prints the plan for home after it, as JSON
  npm run -s zen -- check FILE.json   prints linter and rule findings as JSON
A file is a bundle (docs/formats/bundle.schema.json). Exit codes: 0 done, 1 bad file, 2 bad call, 3 no plan possible, 4 something wrong found,
5 a plan that is not ready: what it is for is left out, it is longer than its slot, or something must be asked first.`

function fail(code: number, text: string): never {
  process.stderr.write(`${text}\n`)
  process.exit(code)
}

function load(file: string) {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch (error) {
    return fail(
      1,
      `${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'}). Check the path.`,
    )
  }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return fail(1, `${file}: $: this is not JSON. ${(error as Error).message}`)
  }
  const read = readBundle(value)
  if (!read.ok)
    return fail(1, read.faults.map((fault) => `${file}: ${fault.path}: ${fault.says}`).join('\n'))
  return read.bundle
}

const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)

function plan(file: string) {
  const bundle = load(file)
  const { segments, steps, totalS, writtenTotalS, status, problems, ...rest } = compile(
    inputOf(bundle),
  )
  const minutes = (seconds: number) => Math.round(seconds / 6) / 10
  // What the ladder is not comes first.
  print({
    status,
    problems,
    ...rest,
    totalMinutes: minutes(totalS),
    writtenMinutes: minutes(writtenTotalS),
    segments,
    steps,
  })
  if (!hasLadder({ status })) fail(3, problems.join('\n'))
  if (status !== 'ready') fail(5, problems.join('\n'))
}

/** A plan for home after the visit was performed as it is fitted. */
function home(file: string) {
  const bundle = load(file)
  const input = inputOf(bundle)
  const fitted = compile(input)
  if (!hasLadder(fitted)) fail(3, fitted.problems.join('\n'))
  const went = { plan: fitted, skipped: new Set<string>(), told: { answer: null } }
  print(homePlan(homeInputOf(input, went, { uses: bundle.home, rests: [] })))
}

function checkFile(file: string) {
  const report = check(load(file))
  print(report)
  if (report.lint.some((finding) => finding.level === 'wrong') || report.rules.length > 0)
    process.exitCode = 4
}

const [command, file, ...rest] = process.argv.slice(2)
if (!file || rest.length > 0) fail(2, USAGE)
if (command === 'plan') plan(file)
else if (command === 'check') checkFile(file)
else if (command === 'home') home(file)
else fail(2, USAGE)
