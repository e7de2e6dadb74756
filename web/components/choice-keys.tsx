import classes from './choice-keys.module.css';

export interface ChoiceKeysProps<T extends string> {
  readonly legend: string;
  readonly choices: readonly (readonly [id: T, words: string])[];
  readonly chosen: (id: T) => boolean;
  readonly onChoose: (id: T) => void;
  readonly isDisabled?: boolean;
}

/** A row of large keys, each of which is on or off. */
export function ChoiceKeys<T extends string>({
  legend,
  choices,
  chosen,
  onChoose,
  isDisabled = false,
}: ChoiceKeysProps<T>) {
  return (
    <fieldset className={classes.choices} disabled={isDisabled}>
      <legend>{legend}</legend>
      {choices.map(([id, words]) => (
        <button
          key={id}
          type="button"
          className={classes.choice}
          aria-pressed={chosen(id)}
          onClick={() => onChoose(id)}
        >
          {words}
        </button>
      ))}
    </fieldset>
  );
}
