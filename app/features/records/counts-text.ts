import type { ImportCounts } from '#shared/contract/imports'

/** What is new on record, in a line. */
export function countsText({
  clients,
  checkIns,
  readings,
  weighIns,
  otherResults,
}: ImportCounts): string {
  const of = {
    clients: t('records.countClients', counted(clients)),
    checkIns: t('records.countCheckIns', counted(checkIns)),
    readings: t('records.countReadings', counted(readings)),
    weighIns: t('records.countWeighIns', counted(weighIns)),
  }
  // Few files have any.
  if (otherResults === 0) return t('records.counts', of)
  return t('records.countsAndOthers', {
    ...of,
    others: t('records.countOthers', counted(otherResults)),
  })
}
