import {
  addDays,
  dayValue,
  fixed,
  listed,
  nameOf,
  revealedRows,
  say,
  siteAgreements,
  sitesToPractise,
  unitOfSite,
  upper,
  type SiteAgreement,
} from '#core'
import type { Gym } from '#shared/contract/equipment'
import type { WholeStudy } from '../studies/queries'
import { FADED, head, small, table, type Paper, type Part } from './paper'

/* The certificate of a tester's study: what was measured, how well it agreed, and what is asked for. */

/** Common practice, no source: a hand is looked at again after a year. */
const REPEAT_AFTER_DAYS = 365

const MEETS = { trained: say('studies.meets.trained'), novice: say('studies.meets.novice') }

export function certificatePage(study: WholeStudy, gym: Gym, paper: Paper) {
  const { told } = paper
  const nameOfTester = (id: string | null) => gym.testers.find((one) => one.id === id)?.name ?? ''
  const tester = gym.testers.find(({ id }) => id === study.testerId)!
  const caliper = gym.instruments.find(({ id }) => id === study.caliperId)?.name
  const results = siteAgreements(revealedRows(study.design, study.trials))
  const within = results.filter(({ against, tester: of }) => !against && of === tester.id)
  const between = results.filter(({ against }) => against)
  const practise = sitesToPractise(within, tester.skill)
  const far = results.flatMap(({ marked }) => marked.filter((pair) => pair.far)).length
  const { lastOn } = study
  const people = { count: study.subjects.length }
  const content: Part[] = [
    head(told(say('studies.certificateOf', { name: tester.name })), 1),
    {
      text: told(
        lastOn === study.begunOn
          ? say('studies.certificateOneDay', { day: dayValue(lastOn, true), ...people })
          : say('studies.certificateSaid', {
              ...{ from: dayValue(study.begunOn, true), to: dayValue(lastOn, true), ...people },
            }),
      ),
    },
    ...(caliper ? [{ text: told(say('studies.withCaliper', { caliper })), color: FADED }] : []),
    ...(within.length === 0
      ? [{ text: told(say('studies.nothingComplete')), margin: [0, 12, 0, 0] }]
      : [
          head(told(say('studies.withThemselves'))),
          agreementTable(within, paper),
          ...(between.length === 0
            ? []
            : [
                head(told(say('studies.withReference', { name: nameOfTester(study.referenceId) }))),
                agreementTable(between, paper),
              ]),
          {
            text: told(
              practise.length > 0
                ? say('studies.practise', { sites: listed(practise.map(nameOf)) })
                : MEETS[tester.skill],
            ),
            bold: true,
            margin: [0, 8, 0, 0],
          },
          ...(far > 0 ? [small(told(say('studies.farCounted', { count: far })))] : []),
          {
            text: told(
              say('studies.repeatBy', { day: dayValue(addDays(lastOn, REPEAT_AFTER_DAYS), true) }),
            ),
            margin: [0, 8, 0, 0],
          },
        ]),
    small(told(say('studies.howComputed'))),
    small(told(say('studies.noLicence'))),
  ]
  return { title: say('studies.certificateOf', { name: tester.name }), content }
}

function agreementTable(results: readonly SiteAgreement[], { told }: Paper): Part {
  return table(
    [
      told(say('studies.site')),
      told(say('studies.people')),
      told(say('studies.tem')),
      told(say('studies.temPercent')),
      told(say('studies.asked')),
      told(say('studies.icc')),
      told(say('studies.limits')),
    ],
    results.map((one) => [
      told(upper(nameOf(one.site))),
      String(one.pairs),
      `${fixed(one.tem, 2)} ${unitOfSite(one.site)}`,
      `${fixed(one.temPercent, 1)}${one.temPercent <= one.targets.skilled ? '' : ' *'}`,
      `${fixed(one.targets.skilled, 1)} / ${fixed(one.targets.beginner, 1)}`,
      one.icc === undefined ? '' : fixed(one.icc, 3),
      one.limits ? `${fixed(one.limits[0], 1)} … ${fixed(one.limits[1], 1)}` : '',
    ]),
  )
}
