'use client';
import { FileUp } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { LIMITS } from '../../core/model';
import { complain } from './actions';
import { Button } from './Button';

/** A button that asks for a file and gives its text. The same file may be chosen again. */
export function FileButton({
  label,
  accept = 'application/json,.json',
  onText,
  children,
}: {
  label: string;
  accept?: string;
  onText(text: string): void;
  children: ReactNode;
}) {
  const file = useRef<HTMLInputElement>(null);
  const open = async (input: HTMLInputElement) => {
    const chosen = input.files?.[0];
    if (chosen && chosen.size > LIMITS.fileBytes) {
      input.value = '';
      const message = `${chosen.name} is larger than ${LIMITS.fileBytes / 1e6} MB, the most that is read. Nothing was changed.`;
      return complain([{ code: 'fileTooLarge', message }]);
    }
    const text = await chosen?.text();
    input.value = '';
    if (text !== undefined) onText(text);
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(change) => void open(change.target)}
      />
      <Button onClick={() => file.current?.click()}>
        <FileUp size={17} aria-hidden /> {children}
      </Button>
    </>
  );
}
