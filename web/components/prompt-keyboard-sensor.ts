import { KeyboardSensor, type KeyboardSensorProps } from '@dnd-kit/core';

/** Milliseconds between two looks, and looks after which what was pressed is let go. */
const pause = 16;
const looks = 60;

/**
 * Moves what was taken up by the arrows, from the moment that it was. The library's own begins to listen a moment later,
 * and moves nothing before it has measured the list; a key pressed in between, on a busy device, would find nobody. Such
 * keys are kept, and pressed again once they are heard.
 */
export class PromptKeyboardSensor extends KeyboardSensor {
  constructor(props: KeyboardSensorProps) {
    super(props);
    const page = props.event.target instanceof Node ? props.event.target.ownerDocument : null;
    if (page === null) return;
    const early: KeyboardEvent[] = [];
    const keep = (event: KeyboardEvent): void => {
      event.preventDefault();
      event.stopImmediatePropagation();
      early.push(event);
    };
    page.addEventListener('keydown', keep, { capture: true });
    const release = (left: number): void => {
      if (props.context.current.over === null && left > 0) {
        setTimeout(() => release(left - 1), pause);
        return;
      }
      page.removeEventListener('keydown', keep, { capture: true });
      for (const { code, key } of early)
        page.dispatchEvent(new KeyboardEvent('keydown', { code, key, bubbles: true, cancelable: true }));
    };
    // The library begins to listen in a timer that it set just before this one.
    setTimeout(() => release(looks));
  }
}
