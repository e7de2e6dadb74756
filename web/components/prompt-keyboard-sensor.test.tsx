import type { KeyboardCoordinateGetter, KeyboardSensorProps } from '@dnd-kit/core';
import { afterEach, expect, test, vi } from 'vitest';
import { PromptKeyboardSensor } from './prompt-keyboard-sensor';

type Context = KeyboardSensorProps['context']['current'];

const up: KeyboardCoordinateGetter = (_, { currentCoordinates: { x, y } }) => ({ x, y: y - 40 });

afterEach(() => document.body.replaceChildren());

/** A sensor as the library makes one when a handle is taken up, with what it is told of the list; where it moves to. */
function takenUp(over: Context['over']) {
  const handle = document.body.appendChild(document.createElement('button'));
  const event = new KeyboardEvent('keydown', { code: 'Space', bubbles: true });
  const places: number[] = [];
  const ended = vi.fn();
  const context: { current: Context } = {
    current: { over, collisionRect: { left: 0, top: 40 }, scrollableAncestors: [] } as unknown as Context,
  };
  handle.addEventListener('keydown', (pressed) => {
    if (pressed !== event) return;
    new PromptKeyboardSensor({
      event: pressed,
      context,
      activeNode: { node: { current: null } },
      active: 'one',
      options: { coordinateGetter: up },
      onStart: () => {},
      onMove: ({ y }: { readonly y: number }) => places.push(y),
      onEnd: ended,
      onCancel: () => {},
      onAbort: () => {},
      onPending: () => {},
    } as unknown as KeyboardSensorProps);
  });
  handle.dispatchEvent(event);
  const press = (code: string) => handle.dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true }));
  return { press, places, ended, context };
}

const listed = { id: 'one' } as Context['over'];

test('an arrow pressed before the library listens moves what was taken up, once', async () => {
  const { press, places, ended } = takenUp(listed);
  press('ArrowUp');
  await vi.waitFor(() => expect(places).toHaveLength(1));
  press('ArrowUp');
  expect(places).toHaveLength(2);
  press('Space');
  expect(ended).toHaveBeenCalledOnce();
});

test('one pressed before the list is measured waits for that, and keeps its place before what follows', async () => {
  const { press, places, ended, context } = takenUp(null);
  press('ArrowUp');
  press('Space');
  await new Promise((done) => setTimeout(done, 40));
  expect(places).toEqual([]);
  context.current = { ...context.current, over: listed };
  await vi.waitFor(() => expect(ended).toHaveBeenCalledOnce());
  expect(places).toHaveLength(1);
});
