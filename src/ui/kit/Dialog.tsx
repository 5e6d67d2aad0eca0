'use client';
import { lazy, Suspense, useEffect } from 'react';
import type { DialogProps } from './DialogPanel.client';

const loadPanel = () => import('./DialogPanel.client');
const Panel = lazy(() => loadPanel().then((made) => ({ default: made.DialogPanel })));

/** A dialog over the page. What draws it is loaded once the page stands: no page waits for it. */
export function Dialog(props: DialogProps) {
  useEffect(() => void loadPanel(), []);
  return props.open ? (
    <Suspense fallback={null}>
      <Panel {...props} />
    </Suspense>
  ) : null;
}
