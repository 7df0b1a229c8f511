/** How many seconds after the two, or before them, a dial was read. */
export const lateText = (late: number): string => {
  const seconds = fixed(Math.abs(late), 1)
  return late < 0 ? t('practice.early', { seconds }) : t('practice.late', { seconds })
}
