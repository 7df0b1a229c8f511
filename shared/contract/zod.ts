import { z } from 'zod'

// A page's security policy forbids code made of text. Zod would find that out by trying, which costs each load the
// reading of the whole script anew.
if ('document' in globalThis) z.config({ jitless: true })

export { z }
