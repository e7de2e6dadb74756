/** Somebody has as many reports under way as one person may. */
export class TooManyReports extends Error {}

export interface PrintQueueRules {
  /** Milliseconds after which one that is still being printed no longer keeps the next one waiting. */
  readonly patience: number;
  /** Printed at once at the most, slow ones among them. */
  readonly most: number;
  /** Of one person, waiting ones among them. */
  readonly mostEach: number;
}

interface Turn {
  readonly person: string;
  /** Takes so long that others go on beside it. */
  isSlow: boolean;
}

interface InLine extends Turn {
  /** So many come first. */
  readonly onPlace: (before: number) => void;
  readonly start: () => void;
}

/** Reports one after another; one that is stuck holds up nobody, and nobody takes all the turns. */
export class PrintQueue {
  private readonly rules: PrintQueueRules;
  private readonly inLine: InLine[] = [];
  private readonly running = new Set<Turn>();

  constructor(rules: PrintQueueRules) {
    this.rules = rules;
  }

  /** Does the work in its turn; `onPlace` hears how many come first. Throws TooManyReports, and what was called off. */
  run<T>(
    person: string,
    signal: AbortSignal,
    onPlace: (before: number) => void,
    work: () => Promise<T>,
  ): Promise<T> {
    const own = [...this.inLine, ...this.running].filter((one) => one.person === person);
    if (own.length >= this.rules.mostEach) return Promise.reject(new TooManyReports());
    return new Promise<T>((done, failed) => {
      const turn: InLine = {
        person,
        isSlow: false,
        onPlace,
        start: () => {
          signal.removeEventListener('abort', callOff);
          void this.take(turn, work).then(done, failed);
        },
      };
      const callOff = (): void => {
        const at = this.inLine.indexOf(turn);
        if (at !== -1) this.inLine.splice(at, 1);
        failed(signal.reason);
        this.goOn();
      };
      signal.addEventListener('abort', callOff);
      this.inLine.push(turn);
      this.goOn();
    });
  }

  private async take<T>(turn: InLine, work: () => Promise<T>): Promise<T> {
    const timer = setTimeout(() => {
      turn.isSlow = true;
      this.goOn();
    }, this.rules.patience);
    try {
      return await work();
    } finally {
      clearTimeout(timer);
      this.running.delete(turn);
      this.goOn();
    }
  }

  private goOn(): void {
    const isFree = (): boolean =>
      this.running.size < this.rules.most && [...this.running].every(({ isSlow }) => isSlow);
    while (isFree()) {
      const next = this.inLine.shift();
      if (next === undefined) return;
      this.running.add(next);
      next.start();
    }
    const before = [...this.running].filter(({ isSlow }) => !isSlow).length;
    for (const [index, { onPlace }] of this.inLine.entries()) onPlace(before + index);
  }
}
