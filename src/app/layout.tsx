import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Toasts } from '../ui/kit/toasts.client';
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
          <Toasts />
        </UnitsProvider>
      </body>
    </html>
  );
}
