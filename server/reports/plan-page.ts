import {
  dayValue,
  DIET_NOTES,
  figures,
  fixed,
  formatMass,
  goalDaySaid,
  goalSaid,
  kgAWeek,
  nutrientsOfPlan,
  num,
  say,
  upper,
  type MealsWish,
} from '#core'
import { FADED, head, small, table, type Paper, type Part } from './paper'
import type { ReadRecord } from './record'

/* The plan in force on one sheet, in the client's words. */

export function planPage({ record, shown }: ReadRecord, paper: Paper): Part[] {
  const { told, units } = paper
  const { client, planInForce: plan } = record
  if (!plan) return [head(told(say('planSheet.noPlanForceThereNothing')), 1)]
  const { definition: d } = plan
  const how = { units, shown }
  const goal = told(upper(goalSaid(d.goal, how)))
  const day = goalDaySaid(d.goal)
  const held = d.goal.kind === 'holdLean'
  const from = dayValue(plan.startedOn, true)
  const weekly = figures(
    formatMass(Math.abs(kgAWeek(d.pace, { fatKg: d.fatKg, leanKg: d.leanKg })), units.mass, 2),
  )
  const grams = (of: number) => fixed(of, 0)
  const food = shown
    ? nutrientsOfPlan({ ...d, nutrients: d.nutrients as MealsWish | undefined })
    : undefined
  return [
    head([goal, day ? told(day) : ''].filter(Boolean).join(' '), 1),
    {
      text: held
        ? told(say('planSheet.sheetFrom', { day: from }))
        : told(say('planSheet.sheetFromWeeks', { day: from, count: Math.round(d.weeks), weekly })),
    },
    { text: told(say('planSheet.planName', { name: client.name })), color: FADED },
    ...(shown
      ? [
          head(told(say('plan.food'))),
          {
            text: [
              {
                text: `${told(say('planSheet.kcalADay', { kcal: num(d.intakeKcal, 0) }))} `,
                bold: true,
              },
              told(say('planSheet.wouldHold', { kcal: num(d.needKcal, 0) })),
            ],
            fontSize: 12,
          },
        ]
      : []),
    ...(food
      ? [
          table(
            ['g', told(say('plan.protein')), told(say('plan.carbohydrate')), told(say('plan.fat'))],
            [
              [
                told(say('plan.day')),
                ...(['protein', 'carbohydrate', 'fat'] as const).map((part) =>
                  grams(food.day.parts[part].grams),
                ),
              ],
              [
                told(say('planSheet.eachMeal', { count: food.meals })),
                ...(['protein', 'carbohydrate', 'fat'] as const).map((part) =>
                  grams(food.meal.grams[part]),
                ),
              ],
            ],
          ),
          ...DIET_NOTES[food.diet].map((note) => ({ text: told(note), margin: [0, 2, 0, 0] })),
        ]
      : []),
    head(told(say('planSheet.measuring'))),
    { text: told(say('planSheet.measuringAdvice', { count: client.cadenceDays })) },
    small(told(say('planSheet.sheetCaution')), [0, 14, 0, 0]),
  ]
}
