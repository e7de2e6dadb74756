import { ViewportPortal } from '@xyflow/react';
import { memo } from 'react';
import classes from './circuit-graph.module.css';
import type { GraphEdge } from './graph-model';
import type { Standing } from './standing';
import { bandWidth, drawn, useSuspectWords } from './suspect-words';

/** A cable with what is believed of it, from the side of one thing to that of another. */
export interface DrawnCable {
  readonly cable: GraphEdge;
  readonly standing: Standing;
  readonly path: string;
  readonly labelX: number;
  readonly labelY: number;
}

/** All cables in one drawing, their words over it: as edges of their own each would be a layer, and every frame would sort them. */
export const Cables = memo(function Cables({ cables }: { readonly cables: readonly DrawnCable[] }) {
  return (
    <ViewportPortal>
      <svg className={classes.cables} aria-hidden>
        {cables.map((one) => (
          <CablePaths key={one.cable.id} {...one} />
        ))}
      </svg>
      {cables.map((one) => (
        <CableLabel key={one.cable.id} {...one} />
      ))}
    </ViewportPortal>
  );
});

const CablePaths = memo(function CablePaths({ cable, standing, path }: DrawnCable) {
  const suspects = drawn(cable.suspects);
  return (
    <>
      {suspects.length > 0 && (
        <path
          className={classes.band}
          data-standing={standing}
          d={path}
          style={{ strokeWidth: bandWidth(suspects) }}
        />
      )}
      <path className={classes.cable} data-standing={standing} d={path} />
    </>
  );
});

const CableLabel = memo(function CableLabel({ cable, standing, labelX, labelY }: DrawnCable) {
  const suspectWords = useSuspectWords();
  const suspects = drawn(cable.suspects).slice(0, 1);
  if (cable.words === '' && suspects.length === 0) return null;
  return (
    <div className={classes.label} data-standing={standing} style={{ left: labelX - 44, top: labelY }}>
      {suspects.length > 0 && <strong>{suspectWords(suspects)}</strong>}
      {cable.words !== '' && <span>{cable.words}</span>}
    </div>
  );
});
