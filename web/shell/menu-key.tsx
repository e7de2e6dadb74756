import { type ComponentType, useLayoutEffect, useState } from 'react';
import { beforeAskingAgain } from '@/local/pauses';
import classes from './frame.module.css';

export interface MenuKeyProps {
  /** What the menu is made of; it is open when it is first shown. */
  readonly load: () => Promise<ComponentType>;
  readonly label: string;
  readonly icon: ComponentType<{ readonly size: number; readonly 'aria-hidden': true }>;
  readonly isPhoneOnly?: boolean;
}

/**
 * A key of the head that opens a menu. What menus are made of is loaded with the first press, and not before. Where it
 * cannot be had just now, that is said, and the menu opens as soon as it can, unless something else was touched meanwhile.
 */
export function MenuKey({ load, label, icon: Icon, isPhoneOnly = false }: MenuKeyProps) {
  const [Menu, setMenu] = useState<ComponentType | null>(null);
  const [isMissing, setMissing] = useState(false);
  // With the drawing: a touch that comes right after what is said takes it away.
  useLayoutEffect(() => {
    if (!isMissing) return;
    const over = new AbortController();
    const { signal } = over;
    const retry = (): void => {
      load().then(
        (loaded) => signal.aborted || setMenu(() => loaded),
        () => {},
      );
    };
    addEventListener('online', retry, { signal });
    for (const touch of ['pointerdown', 'keydown'])
      addEventListener(touch, () => setMissing(false), { signal, capture: true });
    const timer = setInterval(retry, beforeAskingAgain);
    return () => {
      clearInterval(timer);
      over.abort();
    };
  }, [isMissing, load]);
  if (Menu !== null) return <Menu />;
  const open = (): void => {
    load().then(
      (loaded) => setMenu(() => loaded),
      () => setMissing(true),
    );
  };
  return (
    <span className={isPhoneOnly ? `${classes.menuKey} ${classes.phoneOnly}` : classes.menuKey}>
      <button
        type="button"
        className={classes.icon}
        aria-label={label}
        aria-haspopup="menu"
        onPointerDown={() => void load().catch(() => {})}
        onClick={open}
      >
        <Icon size={22} aria-hidden />
      </button>
      {isMissing && (
        <span role="alert" className={classes.notHere}>
          Not on this device yet. It opens as soon as there is a network.
        </span>
      )}
    </span>
  );
}
