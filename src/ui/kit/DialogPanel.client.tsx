'use client';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export interface DialogProps {
  open: boolean;
  onOpenChange(open: boolean): void;
  title: string;
  description?: string;
  children: ReactNode;
  wide?: boolean;
}

/** What `Dialog` opens. */
export function DialogPanel({ open, onOpenChange, title, description, children, wide = false }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          className={`fixed left-1/2 top-1/2 z-50 max-h-[92vh] w-[calc(100vw-2rem)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-md border border-line bg-sheet p-5 shadow-xl ${wide ? 'max-w-3xl' : 'max-w-lg'}`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <div>
              <Radix.Title className="text-xl">{title}</Radix.Title>
              <Radix.Description className={description ? 'mt-1 text-soft' : 'sr-only'}>{description ?? title}</Radix.Description>
            </div>
            <Radix.Close className="grid size-9 place-items-center rounded hover:bg-paper" aria-label="Close">
              <X size={18} aria-hidden />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
