'use client';
import { Truck } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { CookEvent } from '../../core/model';
import type { Action } from './actions';
import { Button } from './Button';
import { Dialog } from './Dialog';

const KitchenForm = lazy(() => import('./KitchenForm.client').then((made) => ({ default: made.KitchenForm })));

/** Opens delivery and kitchen. */
export function KitchenDialog({ event, saveKitchen }: { event: CookEvent; saveKitchen: Action<CookEvent> }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Truck size={16} aria-hidden /> Delivery and kitchen
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Delivery and kitchen" description="What prep is planned within." wide>
        <Suspense fallback={null}>
          <KitchenForm event={event} saveKitchen={saveKitchen} onDone={() => setOpen(false)} />
        </Suspense>
      </Dialog>
    </>
  );
}
