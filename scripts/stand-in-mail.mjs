/**
 * A stand-in for a mail server, for the demo: listens on this computer alone, keeps each mail as a file, and sends none on.
 * `node scripts/stand-in-mail.mjs FOLDER` prints its address when it is ready.
 */
import { randomUUID } from 'node:crypto'
import { mkdirSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'

/** @param folder where each mail becomes a file @returns the address of the stand-in, as SMTP_URL has it */
export async function startStandIn(folder) {
  mkdirSync(folder, { recursive: true })
  const server = new SMTPServer({
    ...{
      authOptional: true,
      disabledCommands: ['STARTTLS', 'AUTH'],
      logger: false,
      disableReverseLookup: true,
    },
    onData(stream, _, done) {
      simpleParser(stream).then(({ from, to, subject, text }) => {
        const mail = {
          ...{ at: new Date().toISOString(), from: from?.text ?? '', to: to?.text ?? '' },
          ...{ subject: subject ?? '', text: text ?? '' },
        }
        // Whole or not at all: the page reads the folder while mails come in.
        const name = join(folder, `${mail.at.replaceAll(/\D/g, '')}-${randomUUID()}`)
        writeFileSync(`${name}.part`, JSON.stringify(mail))
        renameSync(`${name}.part`, `${name}.json`)
        done()
      }, done)
    },
  })
  await new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(0, '127.0.0.1', resolve)
  })
  // A connection that breaks is no trouble of the demo's.
  server.on('error', () => {})
  return `smtp://127.0.0.1:${server.server.address().port}`
}
