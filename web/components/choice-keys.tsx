import classes from './choice-keys.module.css';
import { useKeys } from './use-keys';

export interface ChoiceKeysProps<T extends string> {
  readonly legend: string;
  readonly choices: readonly (readonly [id: T, words: string])[];
  readonly chosen: (id: T) => boolean;
  readonly onChoose: (id: T) => void;
  readonly isDisabled?: boolean;
  /** The first nine have a digit of the keyboard each. */
  readonly isNumbered?: boolean;
}

/** A row of large keys, each of which is on or off. */
export function ChoiceKeys<T extends string>({
  legend,
  choices,
  chosen,
  onChoose,
  isDisabled = false,
  isNumbered = false,
}: ChoiceKeysProps<T>) {
  const numbered = isNumbered && !isDisabled ? choices.slice(0, 9) : [];
  useKeys(numbered.map(([id], index): [string, () => void] => [String(index + 1), () => onChoose(id)]));
  return (
    <fieldset className={classes.choices} disabled={isDisabled}>
      <legend>{legend}</legend>
      {choices.map(([id, words], index) => (
        <button
          key={id}
          type="button"
          className={classes.choice}
          aria-pressed={chosen(id)}
          aria-keyshortcuts={index < numbered.length ? String(index + 1) : undefined}
          onClick={() => onChoose(id)}
        >
          {index < numbered.length && <kbd aria-hidden>{index + 1}</kbd>}
          {words}
        </button>
      ))}
    </fieldset>
  );
}
