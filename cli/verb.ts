/** One verb of the command line. */
export interface Verb {
  /** What it does, in a line. */
  summary: string
  /** What follows its name, and what that means. */
  help: string
  /**
   * @param args what follows the verb
   * @returns the exit code: 0 well, 1 done but not all of it, 2 not done
   * @throws UsageError for arguments that it does not take
   */
  run(args: readonly string[]): Promise<number>
}

/** Arguments that a verb does not take, in words. */
export class UsageError extends Error {}
