import { Kbd, Modal } from '@mantine/core';
import { memo } from 'react';
import { useWords } from '@/components/region-words';
import { walkKeys } from './use-walk-keys';
import classes from './walk-keys-help.module.css';

export const WalkKeysHelp = memo(function WalkKeysHelp({
  opened,
  onClose,
}: {
  readonly opened: boolean;
  readonly onClose: () => void;
}) {
  const { screens } = useWords();
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title="Keys of the walk"
      size="xl"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <dl className={classes.keys}>
        {walkKeys(screens).map(([key, does]) => (
          <div key={key}>
            <dt>
              {key.split(' ').map((part) =>
                part === '…' ? (
                  '… '
                ) : (
                  <Kbd key={part} mr={4}>
                    {part}
                  </Kbd>
                ),
              )}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
});
