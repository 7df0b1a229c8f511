/** Seven folds of a woman of 34 at 121 lb, mm: 11.84 % (common practice, no source). */
export const womanFolds = {
  chest: 4,
  abdominal: 5,
  thigh: 12,
  triceps: 12,
  subscapular: 6,
  suprailiac: 4,
  midaxillary: 4,
}

/** A row of the estimate command that seven folds feed. */
export const woman = {
  id: 'w1',
  sex: 'female',
  age_years: '34',
  mass_kg: '54.88467677',
  equation: 'jackson-pollock-7',
  ...Object.fromEntries(Object.entries(womanFolds).map(([site, mm]) => [`${site}_mm`, String(mm)])),
}
