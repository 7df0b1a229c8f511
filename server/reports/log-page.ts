import {
  dayValue,
  isSkinfold,
  protocolOf,
  say,
  sheetOf,
  siteNameIn,
  sitesOf,
  type ProtocolChoice,
  type SiteId,
} from '#core'
import { head, small, table, type Paper, type Part } from './paper'
import { figuresOn, type ReadRecord } from './record'

/* A sheet to fill in by pen: the sites in the order of the set, what each read last time, boxes for the readings. */

const PASSES = 3

/** @param choice the set; that of the newest check-in where there is one */
export function logPage(
  { record, newest }: ReadRecord,
  paper: Paper,
  choice: ProtocolChoice,
): Part[] {
  const { told } = paper
  const { client } = record
  const write = figuresOn(paper)
  const protocol = protocolOf(newest ?? choice)
  const last = newest && sheetOf(client, newest)
  const rows = sitesOf(protocol, client.sex).map((site: SiteId) => {
    const was = last?.sites[site]?.value
    const said =
      was === undefined ? '' : isSkinfold(site) ? write.tenth(was) : write.value(site as never, was)
    return [told(siteNameIn(protocol, site)), said, ...new Array<string>(PASSES).fill(''), '']
  })
  const blank = (name: string) => ({ text: `${name} ______________________`, margin: [0, 3, 0, 3] })
  return [
    head(client.name, 1),
    {
      columns: [
        [blank(told(say('reports.dayBlank'))), blank(told(say('reports.testerBlank')))],
        [blank(told(say('reports.massBlank'))), blank(told(say('reports.caliperBlank')))],
      ],
    },
    small(
      newest
        ? told(
            say('reports.logSet', { name: protocol.name, day: dayValue(newest.measuredOn, true) }),
          )
        : told(say('reports.logSetFirst', { name: protocol.name })),
      [0, 6, 0, 2],
    ),
    table(
      [
        told(say('reports.site')),
        told(say('reports.lastTime')),
        ...['1', '2', '3'],
        told(say('reports.value')),
      ],
      rows,
      { widths: ['*', 60, 62, 62, 62, 62], boxed: true },
    ),
    small(told(say('reports.logHint'))),
    { text: told(say('reports.notesBlank')), margin: [0, 10, 0, 0] },
  ]
}
