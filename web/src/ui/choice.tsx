import clsx from 'clsx';
import { useId } from 'react';

interface ChoiceProps<T extends string> {
  label: string;
  /** Null as long as nothing is chosen. */
  value: T | null;
  options: readonly (readonly [value: T, words: string])[];
  onChange: (value: T) => void;
  hint?: string | undefined;
  fault?: string | undefined;
}

/** One of a few, all of them in sight. */
function Choice<T extends string>({ label, value, options, onChange, hint, fault }: ChoiceProps<T>) {
  const name = useId();
  const words = fault ?? hint;
  return (
    <fieldset className="min-w-0" aria-describedby={words ? `${name}-note` : undefined}>
      <legend className="mb-1 font-semibold text-[13.5px]">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {options.map(([option, said]) => (
          <label
            key={option}
            className={clsx(
              'flex min-h-8 cursor-pointer items-center rounded border px-2.5 py-1 text-[14px] has-[:disabled]:cursor-default has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-yours',
              value === option
                ? 'border-ink bg-raised font-semibold shadow-[inset_0_-2px_0_var(--yours)]'
                : 'border-line bg-paper',
            )}
          >
            <input
              type="radio"
              name={name}
              checked={value === option}
              onChange={() => onChange(option)}
              className="sr-only"
            />
            {said}
          </label>
        ))}
      </div>
      {words && (
        <p
          id={`${name}-note`}
          className={clsx('mt-1 text-[13px]', fault ? 'font-semibold text-loss' : 'text-ink-2')}
        >
          {words}
        </p>
      )}
    </fieldset>
  );
}

export { Choice };
