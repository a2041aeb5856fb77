import { createTransport, type SendMailOptions } from 'nodemailer'
import type { Outgoing } from '../db/message.sql'
import { useConfig } from './config'

/** Whether anything is sent; else what would go out stands in the mail box on the screen. */
export const isMailSent = (): boolean => useConfig().smtpUrl !== undefined

/** A message as it goes out. The calendar file is both part of it, for programs that read it there, and attached. */
export function mailOf(
  { kind, to, subject, body, calendar }: Omit<Outgoing, 'id'>,
  from: string,
): SendMailOptions {
  const method = kind === 'called-off' ? 'CANCEL' : 'PUBLISH'
  return {
    ...{ from, to, subject, text: body },
    ...(calendar ? { icalEvent: { method, filename: 'visit.ics', content: calendar } } : {}),
  }
}

let transport: ReturnType<typeof createTransport> | undefined

/** Sends one; throws where it does not go. */
export async function sendMessage(message: Outgoing): Promise<void> {
  const { smtpUrl, mailFrom } = useConfig()
  transport ??= createTransport(smtpUrl!)
  await transport.sendMail(mailOf(message, mailFrom))
}
