/** The groups that sources have a term for, to choose from; none first. */
export const groupTermChoices = () => [
  { value: '' as const, name: t('clientFile.groupTermNone') },
  { value: 'black' as const, name: t('clientFile.groupTermBlack') },
  { value: 'asian' as const, name: t('clientFile.groupTermAsian') },
]
