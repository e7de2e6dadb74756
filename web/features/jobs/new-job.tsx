'use client';

import type { JobStatement } from '@fair-plug/core/log';
import {
  Button,
  Group,
  Modal,
  NativeSelect,
  NumberInput,
  SimpleGrid,
  Stack,
  TagsInput,
  TextInput,
} from '@mantine/core';
import { schemaResolver, useForm } from '@mantine/form';
import { useRouter } from 'next/navigation';
import { v7 } from 'uuid';
import { z } from 'zod';
import { ownZone } from '@/components/house-time';
import { useWords } from '@/components/region-words';
import { useDraft } from '@/local/use-draft';
import { useKeep } from '@/local/use-logs';
import classes from './jobs-screen.module.css';

const usualRooms = [
  'Entry',
  'Living room',
  'Dining room',
  'Kitchen',
  'Hall',
  'Bath',
  'Bedroom',
  'Laundry',
  'Garage',
];

const formSchema = z.object({
  address: z.string().trim().min(1, 'Which house is it?').max(200, 'At most 200 characters'),
  client: z.string().trim().max(120, 'At most 120 characters'),
  yearBuilt: z.union([
    z.literal(''),
    z.number().int().min(1700, 'A year from 1700').max(2100, 'A year up to 2100'),
  ]),
  grounds: z.enum(['unknown', 'yes', 'no']),
  rooms: z.array(z.string().trim().min(1).max(60, 'At most 60 characters each')),
});
type NewJobForm = z.infer<typeof formSchema>;

const empty: NewJobForm = {
  address: '',
  client: '',
  yearBuilt: '',
  grounds: 'unknown',
  rooms: [],
};

const statementsOf = ({ address, client, yearBuilt, grounds, rooms }: NewJobForm): JobStatement[] => [
  {
    kind: 'job-described',
    address: address.trim(),
    timeZone: ownZone(),
    ...(client.trim() === '' ? {} : { client: client.trim() }),
    ...(yearBuilt === '' ? {} : { yearBuilt }),
    ...(grounds === 'unknown' ? {} : { groundedWiring: grounds === 'yes' }),
  },
  ...rooms.map((name): JobStatement => ({ kind: 'room-described', room: v7(), name: name.trim() })),
];

export function NewJob({ opened, onClose }: { readonly opened: boolean; readonly onClose: () => void }) {
  const words = useWords();
  const keep = useKeep();
  const router = useRouter();
  const draft = useDraft<NewJobForm>('new job', empty);
  const form = useForm<NewJobForm>({
    initialValues: draft.fields,
    onValuesChange: draft.change,
    validate: schemaResolver(formSchema, { sync: true }),
  });
  const begin = async (values: NewJobForm, stage: 'walk' | 'prepare'): Promise<void> => {
    if (keep === null) return;
    const job = v7();
    await keep.openJob(job, statementsOf(values));
    draft.clear();
    router.push(`/${stage}?job=${job}`);
  };
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title="New job"
      size="lg"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={form.onSubmit((values) => begin(values, 'walk'))} noValidate>
        <Stack>
          <TextInput label="Address" required data-autofocus {...form.getInputProps('address')} />
          <TextInput label="Client" {...form.getInputProps('client')} />
          <SimpleGrid cols={{ base: 1, sm: 2 }}>
            <NumberInput
              label="Year built"
              allowDecimal={false}
              thousandSeparator={false}
              hideControls
              {...form.getInputProps('yearBuilt')}
            />
            <NativeSelect
              label={words.screens.prepare.grounds}
              data={[
                { value: 'unknown', label: 'Not known' },
                { value: 'yes', label: 'Yes' },
                { value: 'no', label: 'No, two-wire' },
              ]}
              {...form.getInputProps('grounds')}
            />
          </SimpleGrid>
          <TagsInput
            label="Rooms, in the order of the walk"
            description="Enter after each one; or leave it, and add each as you come to it."
            data={usualRooms}
            maxDropdownHeight={160}
            {...form.getInputProps('rooms')}
          />
          {form.values.rooms.length === 0 && (
            <Button variant="default" onClick={() => form.setFieldValue('rooms', usualRooms)}>
              Begin with the usual {usualRooms.length} rooms
            </Button>
          )}
          <Group justify="flex-end">
            <Button className={classes.cancel ?? ''} variant="default" onClick={onClose}>
              Cancel
            </Button>
            <Button
              variant="default"
              disabled={keep === null}
              onClick={() => form.onSubmit((values) => begin(values, 'prepare'))()}
            >
              Prepare first
            </Button>
            <Button type="submit" disabled={keep === null}>
              Begin the walk
            </Button>
          </Group>
        </Stack>
      </form>
    </Modal>
  );
}
