/** Where the kit and all jobs are worked on, wherever one is. */
export const places = [
  { href: '/bench', name: 'Bench' },
  { href: '/kit', name: 'Kit' },
  { href: '/settings', name: 'Settings' },
] as const;
