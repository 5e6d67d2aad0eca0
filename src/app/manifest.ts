import type { MetadataRoute } from 'next';

/** What a phone puts on its home screen: the yard. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Anachron yard',
    short_name: 'Yard',
    description: 'The cook day in a pocket: what now, what next, and whether it will be on time.',
    start_url: '/yard',
    scope: '/',
    display: 'standalone',
    background_color: '#f2eee2',
    theme_color: '#28231d',
    icons: [
      { src: '/icons/yard-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/yard-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/yard-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
