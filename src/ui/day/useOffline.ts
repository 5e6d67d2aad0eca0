import { useEffect } from 'react';

/** Lets this phone keep the yard for when it has no signal: where it may, over https or on this machine. */
export function useOffline(): void {
  useEffect(() => {
    if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js', { scope: '/yard' }).catch(() => undefined);
  }, []);
}
