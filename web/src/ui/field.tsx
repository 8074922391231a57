import clsx from 'clsx';
import { type ComponentProps, type ReactNode, useId } from 'react';

const BOX =
  'w-full rounded border bg-paper px-2.5 text-[15px] text-ink placeholder:text-ink-3 data-[wrong=true]:border-loss border-line';

interface Shared {
  label: string;
  hint?: string | undefined;
  fault?: string | undefined;
  /** Classes of the field with its label. */
  frame?: string;
}

/** What makes a control belong to its label and to the words under it. */
interface Ties {
  id: string;
  'aria-describedby': string | undefined;
  'aria-invalid': true | undefined;
  'data-wrong': boolean;
}

interface FieldProps extends Shared {
  children: (ties: Ties) => ReactNode;
}

/** A label, a control, and under it a hint or what is wrong with it. */
function Field({ label, hint, fault, frame, children }: FieldProps) {
  const id = useId();
  const words = fault ?? hint;
  return (
    <div className={clsx('flex flex-col gap-1', frame)}>
      <label htmlFor={id} className="font-semibold text-[13.5px]">
        {label}
      </label>
      {children({
        id,
        'aria-describedby': words ? `${id}-note` : undefined,
        'aria-invalid': fault ? true : undefined,
        'data-wrong': Boolean(fault),
      })}
      {words && (
        <p
          id={`${id}-note`}
          className={clsx('text-[13px]', fault ? 'font-semibold text-loss' : 'text-ink-2')}
        >
          {words}
        </p>
      )}
    </div>
  );
}

function shared({ label, hint, fault, frame }: Shared): Shared {
  return { label, hint, fault, ...(frame ? { frame } : {}) };
}

/** One line to type. */
function TextField({ className, ...props }: Shared & ComponentProps<'input'>) {
  const { label, hint, fault, frame, ...control } = props;
  return (
    <Field {...shared(props)}>
      {(ties) => <input {...control} {...ties} className={clsx(BOX, 'h-9', className)} />}
    </Field>
  );
}

function TextArea({ className, ...props }: Shared & ComponentProps<'textarea'>) {
  const { label, hint, fault, frame, ...control } = props;
  return (
    <Field {...shared(props)}>
      {(ties) => <textarea {...control} {...ties} className={clsx(BOX, 'min-h-24 py-2', className)} />}
    </Field>
  );
}

function Select({ className, ...props }: Shared & ComponentProps<'select'>) {
  const { label, hint, fault, frame, ...control } = props;
  return (
    <Field {...shared(props)}>
      {(ties) => <select {...control} {...ties} className={clsx(BOX, 'h-9', className)} />}
    </Field>
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

/** What is wrong with a form as a whole; nothing where nothing is. */
function WholeFault({ words }: { words: string | undefined }) {
  if (!words) return null;
  return (
    <p role="alert" className="font-semibold text-loss">
      {words}
    </p>
  );
}

export { Check, Select, TextArea, TextField, WholeFault };
