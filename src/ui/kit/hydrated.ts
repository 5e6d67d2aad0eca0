'use client';
import { useSyncExternalStore } from 'react';

const never = () => () => {};

/** Whether the page listens yet: what is chosen before would be lost without a word. */
export const useHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** The zone of the reader's own clock; UTC on the server, which does not know it. */
export const useReaderZone = (): string =>
  useSyncExternalStore(
    never,
    () => Intl.DateTimeFormat().resolvedOptions().timeZone,
    () => 'UTC',
  );
