import { type CorrectionWords, references as publications } from '../../knowledge/index.ts';

/** "NEC 2023 200.11 (from memory)" */
export const referenceWords =
  (references: CorrectionWords['references']): CorrectionWords['reference'] =>
  (id, { edition, checked }) => {
    const { code, section } = references[id];
    const parts = [code, publications[id] === 'nec' ? edition : null, section].filter(
      (part) => part !== null && part !== '',
    );
    return `${parts.join(' ')}${checked.includes(id) ? '' : ' (from memory)'}`;
  };
