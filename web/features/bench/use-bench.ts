'use client';

import { type Circuit, type Survey, surveyOf } from '@fair-plug/core/circuit';
import { type InstrumentId, isOfDevice } from '@fair-plug/core/instruments';
import { useMemo, useState } from 'react';
import { useWholeWords } from '@/components/whole-words';
import { newRun, openFile } from './bench-circuit';

/** What is picked on the drawing: a receptacle or the cable that leads to it. */
export interface Picked {
  readonly kind: 'outlet' | 'cable';
  readonly position: number;
}

export interface Bench {
  readonly circuit: Circuit;
  readonly survey: Survey;
  readonly why: string;
  readonly picked: Picked;
  /** Where the instrument is plugged in. */
  readonly position: number;
  readonly instrument: InstrumentId;
  /** Why the file that was opened last is not on the bench. */
  readonly refused: string | null;
  readonly change: (circuit: Circuit) => void;
  readonly pick: (picked: Picked) => void;
  readonly take: (instrument: InstrumentId) => void;
  readonly open: (file: File) => Promise<void>;
}

export function useBench(): Bench {
  const words = useWholeWords();
  const [circuit, setCircuit] = useState(() => newRun(3));
  const [picked, setPicked] = useState<Picked>({ kind: 'outlet', position: 1 });
  const [plugged, setPlugged] = useState(1);
  const [chosen, setChosen] = useState<InstrumentId>('lamps');
  const [refused, setRefused] = useState<string | null>(null);

  const last = circuit.outlets.length - 1;
  const position = Math.min(plugged, last);
  const at = circuit.outlets[position]?.id ?? '';
  const isProtected = circuit.protection.some((device) => device.at === at);
  const instrument = isOfDevice(chosen) && !isProtected ? 'lamps' : chosen;
  const survey = useMemo(() => surveyOf(circuit, { at, instrument }), [circuit, at, instrument]);
  return {
    circuit,
    survey,
    why: useMemo(() => words.whyItShows(survey), [survey, words]),
    picked: { ...picked, position: Math.min(picked.position, last) },
    position,
    instrument,
    refused,
    change: (to) => {
      setCircuit(to);
      setRefused(null);
    },
    pick: (to) => {
      setPicked(to);
      if (to.kind === 'outlet') setPlugged(to.position);
    },
    take: setChosen,
    open: async (file) => {
      const opened = openFile(await file.text());
      setRefused(opened.kind === 'refused' ? opened.reason : null);
      if (opened.kind === 'opened') setCircuit(opened.circuit);
    },
  };
}
