import { Kbd, Modal, Table } from '@mantine/core';
import { memo } from 'react';
import { useWords } from '@/components/region-words';
import { walkKeys } from './use-walk-keys';

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
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <Table>
        <Table.Tbody>
          {walkKeys(screens).map(([key, does]) => (
            <Table.Tr key={key}>
              <Table.Th scope="row" style={{ whiteSpace: 'nowrap' }}>
                {key.split(' ').map((part) =>
                  part === '…' ? (
                    '… '
                  ) : (
                    <Kbd key={part} mr={4}>
                      {part}
                    </Kbd>
                  ),
                )}
              </Table.Th>
              <Table.Td>{does}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
});
