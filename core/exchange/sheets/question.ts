import type { Words } from '../../say'

/** What a file leaves open. It is brought in by the usual answer where nobody gives another. */
export interface Question {
  /** Names the question again when the file is read once more. */
  id: string
  about: Words
  options: { value: string; name: Words }[]
  /** The answer that is taken where nobody answers. */
  usual: string
  /** Whether any text is an answer, as a name. */
  free?: true
}

/** Answers by the ids of their questions. */
export type Answers = Readonly<Record<string, string>>

/** Questions as they come up, answered by what was chosen or by what is usual. */
export class Questions {
  readonly asked: Question[] = []

  constructor(private readonly answers: Answers) {}

  /** Asks, and gives the answer. */
  ask(question: Question): string {
    this.asked.push(question)
    const answer = this.answers[question.id]
    if (answer === undefined) return question.usual
    const isOne = question.free || question.options.some(({ value }) => value === answer)
    return isOne ? answer : question.usual
  }
}
