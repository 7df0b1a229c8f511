/** As Unicode orders the forms of a plural; a language has some of them. */
const ORDER = ['zero', 'one', 'two', 'few', 'many', 'other']

/**
 * Which form of a plural a count takes in a language: a message gives them in Unicode's order (zero, one, two, few,
 * many, other), those that the language has; English has one and other.
 */
export function pluralRule(language: string): (count: number, forms: number) => number {
  const rules = new Intl.PluralRules(language)
  const has = ORDER.filter((form) =>
    rules.resolvedOptions().pluralCategories.includes(form as 'one'),
  )
  return (count, forms) => Math.min(Math.max(has.indexOf(rules.select(count)), 0), forms - 1)
}
