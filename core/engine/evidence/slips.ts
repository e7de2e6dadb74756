/** How a value or a reading came to be wrong by a slip that leaves its marks. */
export type SlipKind = 'decimal' | 'digits' | 'probes';

/** A wrong reading: which, and the slip that explains it where one does. */
export type Wrong = 'value' | 'reading' | SlipKind;

/** A reading as it would stand without one slip. */
export interface Slip {
  readonly as: SlipKind;
  /** The one value that changes; -1 where two do. */
  readonly at: number;
  /** Values in the reading's order. */
  readonly values: readonly (number | null)[];
  /** How often it is made (common practice), against a reading without one. */
  readonly odds: number;
}

const odds = { decimal: 1e-3, digits: 5e-4, probes: 1e-3 } as const;

/** Nats below which no slip and no wrong value comes. */
export const leastSlipNats = 5.5;

/** A number with two neighbouring digits of its first three exchanged, as it was typed. */
function exchangedDigits(value: number): readonly number[] {
  // Below a volt there are no digits to exchange.
  if (value < 1) return [];
  const typed = String(value);
  const digits = [...typed].flatMap((sign, index) => (sign >= '0' && sign <= '9' ? [index] : [])).slice(0, 3);
  return digits.slice(1).flatMap((second, position) => {
    const first = digits[position] as number;
    const signs = [...typed];
    [signs[first], signs[second]] = [signs[second] as string, signs[first] as string];
    const other = Number(signs.join(''));
    return other === value ? [] : [other];
  });
}

/** What values of a meter, null where a pair was not measured, may have been before a decimal point, two digits or two probes changed places. */
export function slipsOf(values: readonly (number | null)[]): readonly Slip[] {
  const oneChanged = (as: SlipKind, to: (value: number) => readonly number[]): readonly Slip[] =>
    values.flatMap((value, index) =>
      (value === null ? [] : to(value)).map((other) => ({
        as,
        at: index,
        values: values.with(index, other),
        odds: odds[as],
      })),
    );
  const exchanged = values.flatMap((a, first) =>
    values.slice(first + 1).flatMap((b, offset): readonly Slip[] => {
      if (a === b || a === null || b === null) return [];
      return [
        {
          as: 'probes',
          at: -1,
          values: values.with(first, b).with(first + 1 + offset, a),
          odds: odds.probes,
        },
      ];
    }),
  );
  return [
    ...oneChanged('decimal', (value) => (value < 1 ? [] : [value * 10, value / 10])),
    ...oneChanged('digits', exchangedDigits),
    ...exchanged,
  ];
}
