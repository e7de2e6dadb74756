import type { LampColour, LampState, Lamps, Pair, TesterLayout } from '@fair-plug/core/instruments';
import { memo } from 'react';
import classes from './tester-lamps.module.css';

interface LampFaceProps {
  readonly colour: LampColour;
  readonly state: LampState;
  readonly size?: 'small' | 'large';
}

/** One lamp of a tester: filled when lit, half filled when dim, an empty ring when off. */
export const LampFace = ({ colour, state, size = 'small' }: LampFaceProps) => (
  <span className={classes.lamp} data-colour={colour} data-state={state} data-size={size} />
);

/** A lamp that can be pressed to change it. */
export function Lamp({
  label,
  onPress,
  ...face
}: LampFaceProps & { readonly label: string; readonly onPress: () => void }) {
  return (
    <button type="button" className={classes.press} aria-label={label} onClick={onPress}>
      <LampFace {...face} />
    </button>
  );
}

/** A pattern as a tester shows it, to look at. */
export function TesterLampRow({ layout, lamps }: { readonly layout: TesterLayout; readonly lamps: Lamps }) {
  const words = layout.map(({ pair, colour }) => `${colour} ${lamps[pair]}`).join(', ');
  return (
    <div role="img" aria-label={words} className={classes.faces}>
      {layout.map(({ pair, colour }) => (
        <LampFace key={pair} colour={colour} state={lamps[pair]} />
      ))}
    </div>
  );
}

/** The lamps as they sit on the user's own tester; tapping one changes it. */
export const TesterLamps = memo(function TesterLamps({
  layout,
  lamps,
  onLamp,
}: {
  readonly layout: TesterLayout;
  readonly lamps: Lamps | null;
  readonly onLamp: (pair: Pair) => void;
}) {
  return (
    <div className={classes.row}>
      {layout.map(({ pair, colour }, index) => {
        const state = lamps?.[pair] ?? 'off';
        return (
          <Lamp
            key={pair}
            colour={colour}
            state={state}
            label={`Lamp ${index + 1}, ${colour}: ${state}`}
            onPress={() => onLamp(pair)}
          />
        );
      })}
    </div>
  );
});
