import { spawn } from 'node:child_process'

const running = new Set()

/** Passes a signal on to every command that is still running. */
export const endAll = (signal) => {
  for (const child of running) child.kill(signal)
}

/** Runs a command to its end. Gives its exit code and, with `keep`, what it printed. */
export function run(command, args, { keep = false, quiet = false, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: keep || quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      ...options,
    })
    running.add(child)
    child.once('close', () => running.delete(child))
    let output = ''
    let errors = ''
    child.stdout?.on('data', (chunk) => {
      output += chunk
    })
    child.stderr?.on('data', (chunk) => {
      errors += chunk
    })
    child.on('error', reject)
    child.on('close', (code, signal) => resolve({ code: code ?? 1, signal, output, errors }))
  })
}

/** Runs a command that must succeed; otherwise throws with what it printed. */
export async function must(command, args, options = {}) {
  const { code, output, errors } = await run(command, args, options)
  if (code !== 0)
    throw new Error(`${command} ${args.join(' ')} ended with ${code}.\n${output}${errors}`)
  return output
}
