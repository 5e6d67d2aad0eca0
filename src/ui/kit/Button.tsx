import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  plain: 'border border-line bg-sheet hover:border-soft',
  strong: 'border border-ink bg-ink text-sheet hover:brightness-90',
  ember: 'border border-ember bg-ember text-on-ember hover:brightness-90',
  quiet: 'border border-transparent hover:bg-paper hover:border-line',
} as const;

export type ButtonLook = keyof typeof LOOKS;

export const buttonClass = (look: ButtonLook = 'plain'): string =>
  `inline-flex items-center justify-center gap-1.5 rounded px-3 min-h-9 text-[0.93rem] font-semibold whitespace-nowrap disabled:opacity-50 disabled:cursor-not-allowed ${LOOKS[look]}`;

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: ButtonLook }) {
  return <button type={type} className={`${buttonClass(look)} ${className}`} {...rest} />;
}
