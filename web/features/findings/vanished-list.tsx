import { Button } from '@mantine/core';
import { useWholeWords } from '@/components/whole-words';
import { useProposals } from '@/local/use-finding-summary';
import classes from './findings.module.css';

/** Findings that were proposed and never decided on, and why each is proposed no more. */
export function VanishedList({ job }: { readonly job: string }) {
  const words = useWholeWords();
  const { vanished, setProposals } = useProposals(job);
  if (vanished.length === 0) return null;
  return (
    <section className={classes.vanished} aria-label="No longer proposed">
      <h2>No longer proposed</h2>
      <ul>
        {vanished.map((one) => (
          <li key={one.key}>
            <strong>{one.headline}</strong>
            {one.places.length > 0 && ` at ${one.places.map(({ name }) => name).join(', ')}`}.{' '}
            {words.vanished(one)}
          </li>
        ))}
      </ul>
      <Button
        size="compact-sm"
        variant="default"
        onClick={() => setProposals((before) => ({ ...before, vanished: [] }))}
      >
        Seen
      </Button>
    </section>
  );
}
