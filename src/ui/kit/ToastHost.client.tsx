'use client';
import { useEffect } from 'react';
import { toast, Toaster } from 'sonner';

/** Shows what is announced; tells once it can. */
export function ToastHost({ onReady }: { onReady(show: typeof toast): void }) {
  useEffect(() => onReady(toast), [onReady]);
  return (
    <Toaster
      position="bottom-center"
      toastOptions={{ style: { background: 'var(--ink)', color: 'var(--sheet)', border: 'none' }, duration: 8000 }}
    />
  );
}
