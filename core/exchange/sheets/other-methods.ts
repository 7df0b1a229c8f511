import { OTHER_FAT } from '../../change/other-methods'
import { say } from '../../say'
import type { FileRow, LeftOut } from './file-row'
import { methodIn } from './method-words'

/**
 * What other methods said: in columns of their own, or as the share of fat of a row that names its method. What no body has is
 * left out.
 */
export function gatherOthers(rows: readonly FileRow[], left: LeftOut[]): void {
  for (const row of rows) {
    const by = row.equation === undefined ? undefined : methodIn(row.equation)
    if (by && row.fat && row.readings.length === 0) {
      row.others.push({ method: by.method, fatPercent: row.fat.value })
      delete row.fat
      delete row.equation
    }
  }
  const all = rows.flatMap(({ others }) => others)
  if (all.length > 0 && all.every(({ fatPercent }) => fatPercent <= 1))
    for (const one of all) one.fatPercent *= 100
  for (const row of rows)
    row.others = row.others.filter(({ fatPercent }) => {
      const isOne = fatPercent >= OTHER_FAT.least && fatPercent <= OTHER_FAT.most
      if (!isOne)
        left.push({
          ...row.place,
          reason: say('exchange.noShareOfFat', { got: fatPercent, ...OTHER_FAT }),
        })
      return isOne
    })
}
