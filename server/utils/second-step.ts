import { randomInt } from 'node:crypto'
import { generateSecret, generateURI, verifySync } from 'otplib'
import { toString as drawn } from 'qrcode'
import { Conflict } from '#core/fault'
import { offerTotp, totpOf, turnTotpOn, usedRecovery, usedTotp } from '../db/second-step.sql'
import type { Db } from '../db/rows'
import { tokenHash } from './token'
import { SignedOut } from './problem'

/** A phone's clock may be half a minute off (RFC 6238, 5.2: one step either way). */
const TOLERANCE_S = 30
const ISSUER = 'Zen Ladder'
const RECOVERY_CODES = 10
const RECOVERY_SIGNS = '23456789abcdefghjkmnpqrstuvwxyz'
const RECOVERY_LENGTH = 10

/** The step of a code that fits a secret and was not used before (`lastStep`); undefined where it does not. */
export function stepOfCode(secret: string, code: string, lastStep: number): number | undefined {
  if (!/^\d{6}$/.test(code)) return undefined
  const result = verifySync({ secret, token: code, epochTolerance: TOLERANCE_S })
  const step = result.valid && 'timeStep' in result ? result.timeStep : undefined
  return step !== undefined && step > lastStep ? step : undefined
}

const plain = (code: string): string => code.toLowerCase().replaceAll(/[^0-9a-z]/g, '')

/** Whether a second step is asked, and passed: by a code, or by one to recover with, each of which counts once. Throws where it is not. */
export async function passSecondStep(
  db: Db,
  accountId: string,
  code: string | undefined,
): Promise<void> {
  const { secret, isOn, lastStep, recoveryHashes } = await totpOf(db, accountId)
  if (!isOn || secret === null) return
  if (code === undefined)
    throw new SignedOut({
      code: 'totp_wanted',
      detail: 'Now the code from your phone, or one of your recovery codes.',
      path: 'code',
    })
  const step = stepOfCode(secret, plain(code), lastStep)
  if (step !== undefined) return void (await usedTotp(db, accountId, step))
  const hash = tokenHash(plain(code))
  if (recoveryHashes.includes(hash)) return void (await usedRecovery(db, accountId, hash))
  throw new SignedOut({
    code: 'totp_wrong',
    detail: 'That code is not right, or was used already. Wait for the next one.',
    path: 'code',
  })
}

/** Begins a second step: a secret for the phone, as a picture and in letters. It is in use once its first code was given. */
export async function offerSecondStep(db: Db, accountId: string, email: string) {
  const secret = generateSecret()
  await offerTotp(db, accountId, secret)
  const uri = generateURI({ issuer: ISSUER, label: email, secret })
  return { secret, uri, picture: await drawn(uri, { type: 'svg', margin: 1 }) }
}

const newRecoveryCode = (): string =>
  Array.from(
    { length: RECOVERY_LENGTH },
    () => RECOVERY_SIGNS[randomInt(RECOVERY_SIGNS.length)],
  ).join('')

/** Turns a second step on with its first code; gives the codes to recover with, which are told this once. */
export async function confirmSecondStep(db: Db, accountId: string, code: string) {
  const { secret, lastStep } = await totpOf(db, accountId)
  const step = secret === null ? undefined : stepOfCode(secret, plain(code), lastStep)
  if (step === undefined)
    throw new Conflict({
      code: 'totp_wrong',
      detail: 'That code does not fit. Look whether the phone’s clock is right, and take the next.',
      path: 'code',
    })
  const codes = Array.from({ length: RECOVERY_CODES }, newRecoveryCode)
  await turnTotpOn(db, accountId, step, codes.map(tokenHash))
  return codes
}
