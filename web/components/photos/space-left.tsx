import { useEffect, useState } from 'react';
import { photosLeft } from '@/local/photos/kept';
import classes from './photos.module.css';

/** Fewer than this are said. */
const few = 100;

/** How many more photos this device has room for, said before it runs out. */
export function SpaceLeft() {
  const [left, setLeft] = useState<number | null>(null);
  useEffect(() => {
    void photosLeft().then(setLeft);
    const timer = setInterval(() => void photosLeft().then(setLeft), 20_000);
    return () => clearInterval(timer);
  }, []);
  if (left === null || left > few) return null;
  return (
    <p className={classes.warning} role="status">
      <strong>
        This device has room for about {left} more {left === 1 ? 'photo' : 'photos'}.
      </strong>{' '}
      Send what waits, then free some space.
    </p>
  );
}
