'use client';

import { Button, PasswordInput, Stack, TextInput } from '@mantine/core';
import { schemaResolver, useForm } from '@mantine/form';
import { z } from 'zod';
import { shortestPassword } from '@/contract/limits';
import { Problem, useAsking } from './asking';

const email = z.email('An e-mail address').max(254);
const newPassword = z
  .string()
  .min(shortestPassword, `At least ${shortestPassword} characters`)
  .max(128, 'At most 128 characters');
const name = (question: string) => z.string().trim().min(1, question).max(120, 'At most 120 characters');

/** Every field that a page in front of the door may ask for. */
const fields = {
  firm: {
    label: 'Firm',
    schema: name('What is the firm called?'),
    kind: 'text',
    autoComplete: 'organization',
  },
  name: { label: 'Your name', schema: name('What are you called?'), kind: 'text', autoComplete: 'name' },
  email: { label: 'E-mail', schema: email, kind: 'text', autoComplete: 'username' },
  password: {
    label: 'Password',
    schema: z.string().min(1, 'Your password'),
    kind: 'password',
    autoComplete: 'current-password',
  },
  current: {
    label: 'Current password',
    schema: z.string().min(1, 'Your password'),
    kind: 'password',
    autoComplete: 'current-password',
  },
  newPassword: {
    label: 'New password',
    schema: newPassword,
    kind: 'password',
    autoComplete: 'new-password',
  },
} as const;
type FieldName = keyof typeof fields;

export interface CredentialsFormProps<F extends FieldName> {
  readonly ask: readonly F[];
  readonly button: string;
  readonly initial?: Partial<Record<F, string>>;
  /** Throws RequestFailed, whose message is shown. */
  readonly onSubmit: (values: Record<F, string>) => Promise<void>;
}

/** A column of the named fields and one button; says what the server says. */
export function CredentialsForm<F extends FieldName>({
  ask,
  button,
  initial = {},
  onSubmit,
}: CredentialsFormProps<F>) {
  const asking = useAsking();
  const form = useForm<Record<string, string>>({
    initialValues: Object.fromEntries(
      ask.map((field) => [field, (initial as Record<string, string>)[field] ?? '']),
    ),
    validate: schemaResolver(
      z.object(Object.fromEntries(ask.map((field) => [field, fields[field].schema]))),
      {
        sync: true,
      },
    ),
  });
  const submit = (values: Record<string, string>): Promise<void> =>
    asking.run(() => onSubmit(values as Record<F, string>));
  return (
    <form onSubmit={form.onSubmit(submit)} noValidate>
      <Stack>
        {ask.map((field, index) => {
          const { label, kind, autoComplete } = fields[field];
          const Input = kind === 'password' ? PasswordInput : TextInput;
          return (
            <Input
              key={field}
              label={label}
              autoComplete={autoComplete}
              required
              autoFocus={index === 0}
              {...form.getInputProps(field)}
            />
          );
        })}
        <Problem asking={asking} />
        <Button type="submit" loading={asking.isBusy}>
          {button}
        </Button>
      </Stack>
    </form>
  );
}
