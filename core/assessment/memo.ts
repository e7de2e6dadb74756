/** Whether two questions that are plain data ask the same, with all that is in them. */
export const isSameQuestion = (a: object, b: object): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * Answers to questions that are plain data. What answers sees the question and nothing else, and a question is known
 * again by all that is in it: an answer cannot be one to another question.
 */
export class Memo<Q extends object, A> {
  private readonly answers = new Map<string, A>();
  private readonly answer: (question: Q) => A;
  private readonly most: number;

  /** Holds at most so many answers; the one that was given first goes first. */
  constructor(answer: (question: Q) => A, most: number) {
    this.answer = answer;
    this.most = most;
  }

  of(question: Q): A {
    const asked = JSON.stringify(question);
    const known = this.answers.get(asked);
    if (known !== undefined) return known;
    const answer = this.answer(question);
    this.answers.set(asked, answer);
    const [oldest] = this.answers.keys();
    if (this.answers.size > this.most && oldest !== undefined) this.answers.delete(oldest);
    return answer;
  }
}
