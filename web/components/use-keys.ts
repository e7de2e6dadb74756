import { getHotkeyHandler, type HotkeyItem } from '@mantine/hooks';
import { useLayoutEffect } from 'react';
import { useDrawn } from './use-drawn';

/** What has keys of its own. */
const fields: readonly string[] = ['INPUT', 'TEXTAREA', 'SELECT'];

/**
 * Keys of a screen, from the moment that it is drawn: attached an effect later, the first press on a busy device would
 * find nobody. `unlessIn`: elements, by their tag, that keep their keys.
 */
export function useKeys(keys: readonly HotkeyItem[], unlessIn: readonly string[] = fields): void {
  const press = useDrawn((event: KeyboardEvent): void => {
    const { target } = event;
    if (target instanceof HTMLElement && (target.isContentEditable || unlessIn.includes(target.tagName)))
      return;
    // A handle that is held moves by the arrows.
    if (target instanceof Element && target.closest('[aria-roledescription="sortable"]') !== null) return;
    getHotkeyHandler([...keys])(event);
  });
  useLayoutEffect(() => {
    document.documentElement.addEventListener('keydown', press);
    return () => document.documentElement.removeEventListener('keydown', press);
  }, [press]);
}

/**
 * A button that was pressed with the pointer gives the keys back to the screen: whoever clicks a room and goes on by the
 * keys means the screen's Enter, not that button's once more. One that the keyboard came to keeps its own.
 */
export function useKeysBack(): void {
  useLayoutEffect(() => {
    const giveBack = ({ detail }: MouseEvent): void => {
      const { activeElement } = document;
      // A press by the keyboard counts as no click.
      if (detail > 0 && activeElement instanceof HTMLButtonElement && activeElement.closest('main') !== null)
        activeElement.blur();
    };
    document.documentElement.addEventListener('click', giveBack);
    return () => document.documentElement.removeEventListener('click', giveBack);
  }, []);
}
