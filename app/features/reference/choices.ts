/** Whose equations are asked, to choose from. */
export const SEX_CHOICES = [
  { value: 'female' as const, name: 'female' },
  { value: 'male' as const, name: 'male' },
]
