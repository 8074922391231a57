import clsx from 'clsx';
import type { ComponentProps } from 'react';

type ButtonElement = HTMLButtonElement;

interface ButtonProps extends ComponentProps<'button'> {
  look?: 'plain' | 'main' | 'quiet' | 'danger';
}

const LOOKS = {
  plain: 'border border-line bg-raised text-ink hover:border-ink-3',
  main: 'border border-ink bg-ink text-paper hover:opacity-90',
  quiet: 'border border-transparent text-ink-2 hover:text-ink hover:bg-line-2',
  danger: 'border border-loss bg-raised text-loss hover:bg-loss-soft',
} as const;

/** A thing to press. Its words say what will happen. */
function Button({ look = 'plain', className, ...props }: ButtonProps) {
  return (
    <button
      type="button"
      {...props}
      className={clsx(
        'inline-flex h-8 shrink-0 items-center justify-center gap-1.5 whitespace-nowrap rounded px-3 font-semibold text-[14px] disabled:opacity-50',
        LOOKS[look],
        className,
      )}
    />
  );
}

/** Something to do that reads as words. As tall as a finger needs, however small its letters. */
function TextButton({ className, ...props }: ComponentProps<'button'>) {
  return (
    <button
      type="button"
      {...props}
      className={clsx(
        'no-print inline-flex min-h-[24px] max-w-full items-center text-left text-[14px] underline underline-offset-2',
        className,
      )}
    />
  );
}

export type { ButtonElement, ButtonProps };
export { Button, TextButton };
