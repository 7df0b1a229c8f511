/** Loaders of the catalogue's words. See scripts/words.ts. */
declare module 'virtual:words' {
  /** The languages to choose from. */
  export const spoken: string[]
  /** Those, and the one made up for looking at long words. */
  export const languages: string[]
  type Loaders = Record<string, () => Promise<{ default: object }>>
  /** Of the shipped language, by place. */
  export const loaders: Loaders
  export const otherLoaders: Record<string, () => Promise<{ default: Loaders }>>
}

/** All words of every language, by language and place. */
declare module 'virtual:words/all' {
  const words: Record<string, Record<string, object>>
  export default words
}
