import type { AddressInfo } from 'node:net'
import { simpleParser, type ParsedMail } from 'mailparser'
import { SMTPServer } from 'smtp-server'

/** What a mail server makes of a mail: it is busy before it has it, or hangs up when it has it. */
type Manner = 'busy' | 'hang up'

/**
 * A mail server on this computer: keeps what it takes, behaves as it is told, and has no box of one name.
 *
 * @param together how many mails have to be under way at once before it takes the first
 */
export async function startMailServer({ together = 1 } = {}) {
  const underWay = new Set<string>()
  let begin = () => {}
  const enough = new Promise<void>((resolve) => (begin = resolve))
  const mails: ParsedMail[] = []
  /** How the next ones are treated, one each; then they are taken. */
  const manners: Manner[] = []
  const refusal = (responseCode: number, words: string) =>
    Object.assign(new Error(words), { responseCode })
  const server = new SMTPServer({
    // Asks no name server who it is talking to.
    ...{
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      logger: false,
      disableReverseLookup: true,
    },
    onRcptTo({ address }, _, done) {
      return done(address.startsWith('no.such.box@') ? refusal(550, 'no such box here') : null)
    },
    onMailFrom(_, __, done) {
      if (manners[0] !== 'busy') return done()
      manners.shift()
      return done(refusal(451, 'come back later'))
    },
    onData(stream, session, done) {
      underWay.add(session.id)
      if (underWay.size >= together) begin()
      void Promise.all([simpleParser(stream), enough]).then(([mail]) => {
        const manner = manners.shift()
        mails.push(mail)
        if (manner === 'hang up') {
          const { connections } = server as unknown as {
            connections: Set<{ id: string; _socket: { destroy(): void } }>
          }
          for (const one of connections) if (one.id === session.id) one._socket.destroy()
        } else done()
      })
    },
  })
  // Who hangs up is no trouble of the server's.
  server.on('error', () => {})
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.server.address() as AddressInfo
  return {
    mails,
    manners,
    url: `smtp://127.0.0.1:${port}`,
    close: () => new Promise<void>((resolve) => server.close(() => resolve())),
  }
}
