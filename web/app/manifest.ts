import type { MetadataRoute } from 'next';

export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Fair Plug',
    short_name: 'Fair Plug',
    description: 'What a receptacle tester shows, what it means, and what it leaves open.',
    start_url: '/',
    display: 'standalone',
    background_color: '#faf7f0',
    theme_color: '#1c1914',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
    ],
  };
}
