import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { houseOf, showScreen } from '@/testing/screen';
import { PrepareScreen } from './prepare-screen';

const section = (name: string) => within(screen.getByRole('region', { name }));

const prepare = async (
  rooms: Readonly<Record<string, number>> = { Den: 2 },
  rest: Omit<NonNullable<Parameters<typeof showScreen>[2]>, 'statements'> = {},
) => {
  const shown = showScreen('/prepare', <PrepareScreen />, { statements: houseOf(rooms).statements, ...rest });
  await screen.findByRole('region', { name: 'Property' });
  return shown;
};

describe('the property', () => {
  test('each field is an entry of its own, kept when it is left', async () => {
    const { user, kept } = await prepare();
    const property = section('Property');
    await user.clear(property.getByLabelText('Year built'));
    await user.type(property.getByLabelText('Year built'), '1954{Enter}');
    await user.type(property.getByLabelText('Storeys'), '2{Enter}');
    await user.selectOptions(property.getByLabelText('Grounds in the wiring'), 'No');
    await user.selectOptions(property.getByLabelText('May breakers be switched?'), 'Yes');
    await user.type(property.getByLabelText('Who said so'), 'the tenant{Enter}');
    await user.type(
      property.getByLabelText('Must not lose power', { selector: 'input[type="text"], input:not([type])' }),
      'freezer{Enter}',
    );
    const zone = property.getByRole('combobox', { name: 'Time zone' });
    await user.click(zone);
    await user.type(zone, 'Denver');
    await user.click(await screen.findByRole('option', { name: 'America/Denver' }));
    await waitFor(() => expect(kept('kept-powered')).toMatchObject([{ equipment: 'freezer', kept: true }]));
    await waitFor(() => expect(kept('job-described')).toHaveLength(7));
    expect(kept('job-described').slice(1)).toMatchObject([
      { yearBuilt: 1954 },
      { storeys: 2 },
      { groundedWiring: false },
      { breakerLeave: true },
      { leaveFrom: 'the tenant' },
      { timeZone: 'America/Denver' },
    ]);
  });

  test('two alterations in quick succession are both there', async () => {
    const { kept } = await prepare();
    const property = section('Property');
    const fill = (label: string, value: string): void =>
      void fireEvent.change(property.getByLabelText(label), { target: { value } });
    for (const [year, what] of [
      ['2004', 'Kitchen redone'],
      ['1989', 'Addition'],
    ] as const) {
      fill('Year', year);
      fill('What was done', what);
      fireEvent.click(property.getByRole('button', { name: 'Add' }));
    }
    await waitFor(() =>
      expect(kept('alteration-noted')).toMatchObject([
        { year: 2004, what: 'Kitchen redone', made: true },
        { year: 1989, what: 'Addition', made: true },
      ]),
    );
  });

  test('two pieces of equipment that must not lose power, in quick succession, are both there', async () => {
    const { kept, user } = await prepare();
    const powered = section('Property').getByLabelText('Must not lose power', {
      selector: 'input[type="text"], input:not([type])',
    });
    await user.type(powered, 'freezer{Enter}oxygen concentrator{Enter}');
    await waitFor(() =>
      expect(kept('kept-powered')).toMatchObject([
        { equipment: 'freezer', kept: true },
        { equipment: 'oxygen concentrator', kept: true },
      ]),
    );
  });

  test('the volts to expect follow the region', async () => {
    const { user } = await prepare();
    await user.selectOptions(section('Property').getByLabelText('Region'), 'United Kingdom, 230 V');
    await section('Property').findByText(/should read 216\.2 to 253 V/);
  });

  test('what to expect follows the house’s year and what was redone since', async () => {
    const { user, kept } = await prepare();
    const property = section('Property');
    await user.type(property.getByLabelText('Year'), '2004');
    await user.type(property.getByLabelText('What was done'), 'Kitchen redone{Enter}');
    const expected = section('What to expect');
    await waitFor(() =>
      expect(expected.getByRole('img').getAttribute('aria-label')).toMatch(/built 1966, Kitchen redone 2004/),
    );
    await user.click(property.getByRole('button', { name: 'Remove Kitchen redone' }));
    await waitFor(() => expect(kept('alteration-noted').at(-1)).toMatchObject({ made: false }));
  });

  test('a year that no house has is not added to what was done', async () => {
    const { user, kept } = await prepare();
    const property = section('Property');
    await user.type(property.getByLabelText('Year'), '204');
    await user.type(property.getByLabelText('What was done'), 'Kitchen redone{Enter}');
    expect(kept('job-described')).toHaveLength(1);
    expect(property.getByLabelText('What was done')).toHaveProperty('value', 'Kitchen redone');
  });
});

describe('rooms', () => {
  test('a template adds what is missing; names and counts are kept; the house is saved as a template', async () => {
    const { user, kept, server } = await prepare({ Kitchen: 2 });
    const rooms = section('Rooms, in the order of the walk');
    await user.click(rooms.getByRole('button', { name: /^Apartment/ }));
    await rooms.findByLabelText('Name of Bedroom');
    await user.click(rooms.getByRole('button', { name: /^Apartment/ }));
    await waitFor(() => expect(kept('room-described')).toHaveLength(5));
    await user.type(rooms.getByLabelText('Receptacles expected in Kitchen'), '7{Enter}');
    await waitFor(() =>
      expect(kept('room-described').at(-1)).toMatchObject({ name: 'Kitchen', expected: 7 }),
    );
    await user.type(rooms.getByLabelText('Save these rooms as a template'), 'Loft{Enter}');
    await rooms.findByRole('button', { name: 'Loft · 5' });
    await waitFor(() =>
      expect(server.logs.get('kit')).toMatchObject([
        {
          kind: 'room-template-saved',
          name: 'Loft',
          rooms: expect.arrayContaining([{ name: 'Kitchen', expected: 7 }]),
        },
      ]),
    );
  });

  test('a list is looked at before it is taken: columns chosen, what is wrong named by row, the rest taken once', async () => {
    const { user, kept } = await prepare({ Den: 1 });
    const file = new File(
      ['Where,What,Panel,Nth\r\nDen,Den 1,7,1\r\nHall,Hall 1,9,first\r\nHall,Hall 2,9,2\r\n'],
      'list.csv',
      { type: 'text/csv' },
    );
    // Nothing but a browser can read a file by itself.
    Object.assign(file, { arrayBuffer: async () => new TextEncoder().encode(await readText(file)).buffer });
    Object.assign(file, { text: () => readText(file) });
    const input = document.querySelector<HTMLInputElement>('input[type="file"]');
    await user.upload(input as HTMLInputElement, file);
    const sheet = within(await screen.findByRole('dialog'));
    await user.selectOptions(sheet.getByLabelText('Room'), 'Where');
    await user.selectOptions(sheet.getByLabelText('Receptacle'), 'What');
    await user.selectOptions(sheet.getByLabelText('Breaker'), 'Panel');
    await user.selectOptions(sheet.getByLabelText(/^Place/), 'Nth');
    expect(sheet.getByRole('alert').textContent).toMatch(/Row 3, place.* “first”/);
    await user.click(sheet.getByRole('button', { name: 'Take 2 receptacles' }));
    await waitFor(() => expect(kept('receptacle-fed')).toMatchObject([{ breaker: '7' }, { breaker: '9' }]));
    // The one that is here by the same name stays one.
    expect(kept('receptacle-described').map((entry) => 'name' in entry && entry.name)).toEqual([
      'Den 1',
      'Hall 2',
    ]);
  });
});

const readText = (file: File): Promise<string> =>
  new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsText(file);
  });

describe('the plan', () => {
  test('a sample that finds one of three with 95 % is proposed, and said to be a guide', async () => {
    const { user, kept } = await prepare({ Hall: 30, Den: 30 });
    const plan = section('How many to test');
    await user.click(plan.getByText('A sample'));
    // 1 - C(57, n) / C(60, n) >= 0.95 first holds for n = 38 (hypergeometric, counted by hand).
    await waitFor(() => expect(kept('plan-chosen')).toMatchObject([{ sample: 38 }]));
    await plan.findByRole('figure', { name: '38 of 60' });
    expect(screen.getByText(/receptacles of\s+one circuit are no random sample/)).toBeTruthy();
    await user.click(plan.getByText('All that can be reached'));
    await waitFor(() => expect(kept('plan-chosen').at(-1)).toMatchObject({ sample: null }));
  });

  test('without rooms nothing can be weighed', async () => {
    await prepare({});
    expect(section('How many to test').getByText(/^Add rooms with the receptacles expected/)).toBeTruthy();
  });
});

test('the house as it was found', async () => {
  const { user, kept } = await prepare();
  const found = section('As found');
  await user.selectOptions(found.getByLabelText('Utility on'), 'Yes');
  await user.type(found.getByLabelText('Breakers found off'), '16{Enter}');
  await user.type(found.getByLabelText('Who was there'), 'the owner{Enter}');
  await waitFor(() =>
    expect(kept('job-described').slice(1)).toMatchObject([
      { utilityOn: true },
      { breakersFoundOff: '16' },
      { present: 'the owner' },
    ]),
  );
});

test('who may only read changes nothing', async () => {
  await prepare({ Den: 2 }, { role: 'viewer' });
  for (const field of screen.getAllByRole('textbox')) expect(field).toHaveProperty('disabled', true);
  expect(screen.queryByRole('button', { name: /^(Add|Save|Good|Failed)/ })).toBeNull();
});
