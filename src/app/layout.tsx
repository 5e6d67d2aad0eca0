import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { UnitsProvider } from '../ui/kit/UnitsProvider';
import { Shortcuts } from '../ui/shell/Shortcuts.client';
import './globals.css';
import { preferences } from './preferences';

export const metadata: Metadata = {
  title: { default: 'Anachron', template: '%s · Anachron' },
  description: 'Barbecue cooks, counted back from serving time.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const { units, light } = await preferences();
  return (
    <html lang="en" data-light={light}>
      <body className="min-h-screen">
        <UnitsProvider units={units} light={light}>
          {children}
          <Shortcuts />
          <Toaster
            position="bottom-center"
            toastOptions={{ style: { background: 'var(--ink)', color: 'var(--sheet)', border: 'none' }, duration: 8000 }}
          />
        </UnitsProvider>
      </body>
    </html>
  );
}
