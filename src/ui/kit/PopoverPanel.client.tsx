'use client';
import { Popover as Radix } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

interface PopoverPanelProps {
  anchor: RefObject<HTMLButtonElement | null>;
  onClose(): void;
  panelLabel?: string;
  panelClassName: string;
  align?: 'start' | 'end';
  children: ReactNode;
}

/** What `Popover` opens, at its button; the button is told from outside, as its click closes the panel itself. */
export function PopoverPanel({ anchor, onClose, panelLabel, panelClassName, align = 'end', children }: PopoverPanelProps) {
  return (
    <Radix.Root open onOpenChange={(open) => !open && onClose()}>
      <Radix.Anchor virtualRef={anchor as RefObject<HTMLButtonElement>} />
      <Radix.Portal>
        <Radix.Content
          align={align}
          sideOffset={6}
          aria-label={panelLabel}
          className={`z-50 rounded-md border border-line bg-sheet shadow-xl ${panelClassName}`}
          onInteractOutside={(event) => anchor.current?.contains(event.target as Node) && event.preventDefault()}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            anchor.current?.focus();
          }}
        >
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
