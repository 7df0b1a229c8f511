/** What somebody is called to their face. */
export const firstName = (name: string): string => name.split(' ')[0]!
