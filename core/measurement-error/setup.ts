import type { MeasurementSetup, OwnErrors } from './site-error'

/** A tester, as far as the size of the error depends on them. */
export interface TesterSkill {
  id: string
  skill: MeasurementSetup['skill']
}

/** An instrument, as far as the size of the error depends on it: graduation in mm, cm or kg by its kind. */
export interface InstrumentScale {
  id: string
  graduation: number | null
  jaws: 'spring' | 'hand' | 'click' | null
}

/** Everybody and everything that measures. */
export interface Equipment {
  testers: readonly TesterSkill[]
  instruments: readonly InstrumentScale[]
}

/** Ids of who measured and with what. */
export interface SetupIds {
  testerId: string
  caliperId: string | null
  tapeId: string | null
  boneCaliperId?: string | null
}

/**
 * Who measures and with what, for the size of the error: the tester's skill, the graduation of caliper, tape
 * and bone caliper, and how the jaws are pressed. A tester who is not known counts as trained.
 *
 * @param ownErrors the tester's own error, where it is known
 */
export function measurementSetupOf(
  { testers, instruments }: Equipment,
  ids: SetupIds,
  ownErrors: OwnErrors = {},
): MeasurementSetup {
  const caliper = instruments.find(({ id }) => id === ids.caliperId)
  const tape = instruments.find(({ id }) => id === ids.tapeId)
  const boneCaliper = instruments.find(({ id }) => id === ids.boneCaliperId)
  return {
    skill: testers.find(({ id }) => id === ids.testerId)?.skill ?? 'trained',
    ownErrors,
    graduation: {
      ...(caliper?.graduation ? { mm: caliper.graduation } : {}),
      ...(tape?.graduation ? { cm: tape.graduation } : {}),
      ...(boneCaliper?.graduation ? { boneCm: boneCaliper.graduation } : {}),
    },
    handSqueezed: caliper?.jaws === 'hand',
  }
}
