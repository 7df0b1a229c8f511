import type { FigureSpot } from '../../ui/figure/sites'

/** What the figure shows, for those who do not see it: the site, where it is on the body, and its landmark. */
export function figureLabel(
  name: string,
  where: string,
  side: 'right' | 'left',
  spot: FigureSpot | undefined,
): string {
  const key = spot ? (`siteOnFigure.${spot.view}` as const) : ('siteOnFigure.none' as const)
  return t(`checkIn.${key}`, { name, where, side: t(`checkIn.${side}`) })
}
