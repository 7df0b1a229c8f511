export type Values = Record<string, string | number | null | undefined>

/** Who says the words of the catalogue, and in which language (BCP 47). */
export interface Voice {
  /** @param values what stands in braces; `count` also chooses between the forms of a plural */
  say: (key: string, values?: Values) => string
  language: string
}
