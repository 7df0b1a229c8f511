/** What of a check-in decides what the client is told before it. */
export interface ScriptFor {
  /** How many folds, girths and bones the set has, and how often each is taken. */
  folds: number
  girths: number
  /** Breadths and lengths. */
  bones: number
  rounds: number
  girthRounds: number
  /** Whether the set estimates body fat, and the client may see it. */
  estimates: boolean
  /** A client who is to be measured with care: no numbers aloud, no mirror. */
  sensitive: boolean
}

const times = (count: number) => (count === 2 ? t('checkIn.twice') : t('checkIn.times', { count }))

/** What the client is told before the first reading: of what is really done, to whom. */
export function scriptFor(set: ScriptFor): string[] {
  const { folds, girths, bones, rounds, girthRounds, estimates, sensitive } = set
  const tape = t('checkIn.tapeAround', {
    count: girths,
    times: times(girthRounds),
  })
  return [
    ...(folds
      ? [
          t('checkIn.pinch', { count: folds, times: times(rounds) }),
          ...(girths ? [t('checkIn.thenIPutTape', { tape })] : []),
        ]
      : girths
        ? [t('checkIn.iPutTapeLiesFlat', { tape })]
        : bones
          ? []
          : [t('checkIn.iOnlyWeighYouToday')]),
    ...(bones ? [t('checkIn.boneCaliperAcross', { count: bones, times: times(girthRounds) })] : []),
    estimates ? t('checkIn.estimatesBodyFatWithinFew') : t('checkIn.weFollowTheseNumbersOver'),
    ...(sensitive ? [t('checkIn.iWriteNumbersDownSay')] : []),
    t('checkIn.youMayStopAtAny'),
    folds ? t('checkIn.shortsSportsTopSkinDry') : t('checkIn.thinClothesSitCloseSame'),
  ]
}
