import type { Block, Run } from '@fair-plug/core/report';
import classes from './report-sheet.module.css';

/** What a section says, laid out. */
export function Blocks({ blocks }: { readonly blocks: readonly Block[] }) {
  return blocks.map((block) => <OneBlock key={keyOf(block)} block={block} />);
}

const plain = (line: readonly Run[]): string =>
  line.map((run) => (typeof run === 'string' ? run : run.strong)).join('');

const keyOf = (block: Block): string => {
  if (block.kind === 'text') return plain(block.line);
  return block.kind === 'list' ? `list ${block.items.map(plain)}` : `terms ${block.rows}`;
};

function OneBlock({ block }: { readonly block: Block }) {
  switch (block.kind) {
    case 'text':
      return (
        <p {...(block.isOwn ? { className: classes.own } : {})}>
          <Line line={block.line} />
        </p>
      );
    case 'list':
      return (
        <ul className={classes.cautions}>
          {block.items.map((item) => (
            <li key={plain(item)}>
              <Line line={item} />
            </li>
          ))}
        </ul>
      );
    case 'terms':
      return (
        <dl className={classes.terms}>
          {block.rows.map(([term, definition]) => (
            <div key={term}>
              <dt>{term}</dt>
              <dd>{definition}</dd>
            </div>
          ))}
        </dl>
      );
  }
}

const Line = ({ line }: { readonly line: readonly Run[] }) =>
  line.map((run) => (typeof run === 'string' ? run : <strong key={run.strong}>{run.strong}</strong>));
