'use client';
import { lazy, Suspense } from 'react';
import type { toast } from 'sonner';
import { useHydrated } from './hydrated';

const Host = lazy(() => import('./ToastHost.client').then((made) => ({ default: made.ToastHost })));

let nowReady: (show: typeof toast) => void;
const ready = new Promise<typeof toast>((resolve) => (nowReady = resolve));

/** Where what is announced is shown. No page waits for it. */
export function Toasts() {
  return useHydrated() ? (
    <Suspense fallback={null}>
      <Host onReady={nowReady} />
    </Suspense>
  ) : null;
}

/** Shows a message, once there is where to show it. */
export const showToast = (show: (with_: typeof toast) => void): void => void ready.then(show);
