'use client';
import { lazy, Suspense, useEffect, useRef, useState, type ReactNode } from 'react';

const loadPanel = () => import('./PopoverPanel.client');
const Panel = lazy(() => loadPanel().then((made) => ({ default: made.PopoverPanel })));

interface PopoverProps {
  /** What the button shows. */
  button: ReactNode;
  label?: string;
  id?: string;
  className: string;
  /** What the panel is called, where its content does not say so. */
  panelLabel?: string;
  panelClassName: string;
  align?: 'start' | 'end';
  /** What is in it, with what closes it. */
  children(close: () => void): ReactNode;
}

/** A button with a panel at it. The panel is loaded once the page stands: no page waits for it. */
export function Popover({ button, label, id, className, children, ...panel }: PopoverProps) {
  const [open, setOpen] = useState(false);
  const anchor = useRef<HTMLButtonElement>(null);
  useEffect(() => void loadPanel(), []);
  const close = () => setOpen(false);
  return (
    <>
      <button
        ref={anchor}
        id={id}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={label}
        className={className}
        onClick={() => setOpen(!open)}
      >
        {button}
      </button>
      {open && (
        <Suspense fallback={null}>
          <Panel anchor={anchor} onClose={close} {...panel}>
            {children(close)}
          </Panel>
        </Suspense>
      )}
    </>
  );
}
