'use client';
import { Copy, Pencil, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { RefObject } from 'react';

interface EventMenuProps {
  button: RefObject<HTMLButtonElement | null>;
  onClose(): void;
  onRename(): void;
  onDuplicate(): void;
  onDelete(): void;
}

/** What can be done with an event in the list; its button stands on the page before this is loaded. */
export function EventMenu({ button, onClose, onRename, onDuplicate, onDelete }: EventMenuProps) {
  const item = 'flex min-h-9 cursor-pointer items-center gap-2 rounded px-3 outline-none data-[highlighted]:bg-paper';
  return (
    <DropdownMenu.Root open onOpenChange={(open) => !open && onClose()}>
      <DropdownMenu.Trigger asChild>
        <span aria-hidden className="pointer-events-none absolute inset-0" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-50 min-w-44 rounded-md border border-line bg-sheet p-1 shadow-xl"
          onInteractOutside={(event) => button.current?.contains(event.target as Node) && event.preventDefault()}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            button.current?.focus();
          }}
        >
          <DropdownMenu.Item className={item} onSelect={onRename}>
            <Pencil size={16} aria-hidden /> Rename
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={onDuplicate}>
            <Copy size={16} aria-hidden /> Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={`${item} text-bad`} onSelect={onDelete}>
            <Trash2 size={16} aria-hidden /> Delete
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
