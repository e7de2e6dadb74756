/** Headings and standing sentences of the report in one language. */
export interface ReportTexts {
  readonly title: string;
  readonly particulars: {
    readonly client: string;
    readonly house: string;
    readonly altered: string;
    readonly present: string;
    readonly asFound: string;
    readonly readOn: string;
    readonly inspector: string;
    readonly licence: string;
    readonly notBegun: string;
  };
  readonly headings: {
    readonly guide: string;
    readonly workList: string;
    readonly findings: string;
    readonly causes: string;
    readonly noDefect: string;
    readonly notSeen: string;
    readonly receptacles: string;
    readonly coverage: string;
    readonly testers: string;
    readonly method: string;
    readonly cautions: string;
    readonly signatures: string;
  };
  readonly figures: {
    readonly listed: string;
    readonly correct: string;
    readonly notCorrect: string;
    readonly notTested: string;
  };
  readonly guide: string;
  readonly workListLead: string;
  readonly noWork: string;
  readonly noFindings: string;
  readonly notSeenLead: string;
  readonly method: readonly string[];
  readonly signed: (name: string, date: string) => string;
}
