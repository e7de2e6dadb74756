import { render, screen } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { SpaceLeft } from './space-left';

afterEach(() => vi.unstubAllGlobals());

const withRoom = (megabytes: number) =>
  vi.stubGlobal('navigator', {
    storage: { estimate: async () => ({ quota: 1000 * 2 ** 20, usage: (1000 - megabytes) * 2 ** 20 }) },
  });

test('room for photos is said before it runs out, and not while there is plenty', async () => {
  withRoom(65);
  const { unmount } = render(<SpaceLeft />);
  // 20 MB stay free for entries; a photo takes 0.9 MB.
  await screen.findByText(/room for about 52 more photos/);
  unmount();
  withRoom(900);
  render(<SpaceLeft />);
  await new Promise((done) => setTimeout(done));
  expect(screen.queryByText(/room for about/)).toBeNull();
});
