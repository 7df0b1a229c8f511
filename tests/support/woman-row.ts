/** A row of the estimate command that seven folds feed. */
export const woman = {
  id: 'w1',
  sex: 'female',
  age_years: '34',
  mass_kg: '54.88467677',
  equation: 'jackson-pollock-7',
  chest_mm: '4',
  abdominal_mm: '5',
  thigh_mm: '12',
  triceps_mm: '12',
  subscapular_mm: '6',
  suprailiac_mm: '4',
  midaxillary_mm: '4',
}
