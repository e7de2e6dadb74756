import { useEffect, useState } from 'react';

/** False until the first picture is there: what can come a moment later lets it be quick. */
export function useAfterPaint(): boolean {
  const [isPainted, setPainted] = useState(false);
  useEffect(() => {
    // A frame is painted between the callback and the timer in it.
    const frame = requestAnimationFrame(() => setTimeout(() => setPainted(true)));
    return () => cancelAnimationFrame(frame);
  }, []);
  return isPainted;
}
