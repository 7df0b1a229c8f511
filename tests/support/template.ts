import { readFileSync } from 'node:fs'
import { TEMPLATE_FILE } from '../../scripts/template-file'
import { unpackTemplate } from '../../server/database/template'

export { ensureTemplate } from '../../scripts/template-file'

/** Fills an empty folder with the database that a first start begins with. */
export const fromTemplate = (folder: string): Promise<void> =>
  unpackTemplate(folder, async () => readFileSync(TEMPLATE_FILE))
