/** Whose equations are asked, and how density becomes fat %, to choose from. */
export const SEX_CHOICES = [
  { value: 'female' as const, name: 'female' },
  { value: 'male' as const, name: 'male' },
]
export const CONVERSION_CHOICES = [
  { value: 'siri' as const, name: 'Siri' },
  { value: 'brozek' as const, name: 'Brožek' },
]
