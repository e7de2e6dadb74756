import { type ComponentType, useState } from 'react';
import classes from './frame.module.css';

const load = () => import('./menus');

export interface MenuKeyProps {
  readonly menu: 'AccountMenu' | 'PlacesMenu';
  readonly label: string;
  readonly icon: ComponentType<{ readonly size: number; readonly 'aria-hidden': true }>;
  readonly isPhoneOnly?: boolean;
}

/** A key of the head that opens a menu. What menus are made of is loaded with the first press, and not before. */
export function MenuKey({ menu, label, icon: Icon, isPhoneOnly = false }: MenuKeyProps) {
  const [Menu, setMenu] = useState<ComponentType | null>(null);
  if (Menu !== null) return <Menu />;
  const prepare = (): void => void load().catch(() => {});
  const open = (): void => {
    load().then(
      (menus) => setMenu(() => menus[menu]),
      () => {},
    );
  };
  return (
    <button
      type="button"
      className={isPhoneOnly ? `${classes.icon} ${classes.phoneOnly}` : classes.icon}
      aria-label={label}
      aria-haspopup="menu"
      onPointerDown={prepare}
      onClick={open}
    >
      <Icon size={22} aria-hidden />
    </button>
  );
}
