/** A receptacle that a finding names. */
export interface Place {
  readonly id: string;
  readonly name: string;
}
