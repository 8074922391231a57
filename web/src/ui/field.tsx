import clsx from 'clsx';
import { type ComponentProps, type ReactNode, useId } from 'react';

const BOX =
  'w-full rounded border bg-paper px-2.5 text-[15px] text-ink placeholder:text-ink-3 data-[wrong=true]:border-loss border-line';

interface FieldFrameProps {
  label: string;
  hint?: string | undefined;
  fault?: string | undefined;
  className?: string | undefined;
  children: (ids: { id: string; describedBy: string | undefined }) => ReactNode;
}

function FieldFrame({ label, hint, fault, className, children }: FieldFrameProps) {
  const id = useId();
  const note = `${id}-note`;
  const words = fault ?? hint;
  return (
    <div className={clsx('flex flex-col gap-1', className)}>
      <label htmlFor={id} className="font-semibold text-[13.5px]">
        {label}
      </label>
      {children({ id, describedBy: words ? note : undefined })}
      {words && (
        <p id={note} className={clsx('text-[13px]', fault ? 'font-semibold text-loss' : 'text-ink-2')}>
          {words}
        </p>
      )}
    </div>
  );
}

interface Shared {
  label: string;
  hint?: string | undefined;
  fault?: string | undefined;
  frame?: string;
}

/** One line to type, with its label, a hint, and what is wrong with it. */
function TextField({ label, hint, fault, frame, className, ...props }: Shared & ComponentProps<'input'>) {
  return (
    <FieldFrame label={label} hint={hint} fault={fault} className={frame}>
      {({ id, describedBy }) => (
        <input
          {...props}
          id={id}
          aria-describedby={describedBy}
          aria-invalid={fault ? true : undefined}
          data-wrong={Boolean(fault)}
          className={clsx(BOX, 'h-9', className)}
        />
      )}
    </FieldFrame>
  );
}

function TextArea({ label, hint, fault, frame, className, ...props }: Shared & ComponentProps<'textarea'>) {
  return (
    <FieldFrame label={label} hint={hint} fault={fault} className={frame}>
      {({ id, describedBy }) => (
        <textarea
          {...props}
          id={id}
          aria-describedby={describedBy}
          aria-invalid={fault ? true : undefined}
          data-wrong={Boolean(fault)}
          className={clsx(BOX, 'min-h-24 py-2', className)}
        />
      )}
    </FieldFrame>
  );
}

function Select({ label, hint, fault, frame, className, ...props }: Shared & ComponentProps<'select'>) {
  return (
    <FieldFrame label={label} hint={hint} fault={fault} className={frame}>
      {({ id, describedBy }) => (
        <select
          {...props}
          id={id}
          aria-describedby={describedBy}
          aria-invalid={fault ? true : undefined}
          data-wrong={Boolean(fault)}
          className={clsx(BOX, 'h-9', className)}
        />
      )}
    </FieldFrame>
  );
}

interface CheckProps extends ComponentProps<'input'> {
  label: string;
}

function Check({ label, ...props }: CheckProps) {
  return (
    <label className="flex items-center gap-2 text-[14px]">
      <input type="checkbox" {...props} className="size-4 accent-(--ink)" />
      {label}
    </label>
  );
}

export { Check, Select, TextArea, TextField };
