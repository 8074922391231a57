import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { TextField } from '../../ui/field';

export type RuleSheet = Schemas['RuleSheet'];
export type Trial = Schemas['TrialView'];

/** What every part of the form is given. */
export interface PartProps {
  sheet: RuleSheet;
  change: (sheet: RuleSheet) => void;
  /** What is wrong with the field of this path, if anything. */
  fault: (path: string) => string | undefined;
  trial: Trial;
  /** The rules that it was made with: the last in which nothing was missing. */
  tried: RuleSheet;
}

interface RulePartProps {
  title: string;
  about: string;
  /** What the rules of this part do, as they stand in the form. */
  example: ReactNode;
  children: ReactNode;
}

/** A part of the rules: what is set at the left, what it does at the right. */
function RulePart({ title, about, example, children }: RulePartProps) {
  return (
    <section className="grid gap-x-10 gap-y-4 border-line-2 border-t py-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,420px)]">
      <div className="min-w-0">
        <h2 className="font-bold text-[16px]">{title}</h2>
        <p className="mb-3 max-w-[64ch] text-[14px] text-ink-2">{about}</p>
        {children}
      </div>
      <aside
        aria-label={`${title}: what this does`}
        className="min-w-0 border-line border-l-2 pl-4 text-[14px]"
      >
        <h3 className="mb-1 text-[13px] text-ink-2">What this does</h3>
        {example}
      </aside>
    </section>
  );
}

/** One field of a sheet: a whole number, one that may be left empty, or an exact decimal kept as it was typed. */
export interface FieldSpec<T> {
  name: keyof T & string;
  label: string;
  hint?: string;
  kind: 'whole' | 'whole or none' | 'decimal';
}

interface NumberFieldsProps<T> {
  /** Where the sheet stands in the rules, as faults name it; ends with a dot, or is empty. */
  path: string;
  sheet: T;
  fields: readonly FieldSpec<T>[];
  onChange: (part: Partial<T>) => void;
  fault: PartProps['fault'];
}

/** The numbers of a sheet, side by side. */
function NumberFields<T>({ path, sheet, fields, onChange, fault }: NumberFieldsProps<T>) {
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(172px,1fr))] items-start gap-3.5">
      {fields.map(({ name, label, hint, kind }) => (
        <TextField
          key={name}
          label={label}
          hint={hint}
          fault={fault(path + name)}
          {...(kind === 'decimal' ? { inputMode: 'decimal' } : { type: 'number', min: 0 })}
          value={String(sheet[name] ?? '')}
          onChange={(event) => onChange({ [name]: typed(event.target.value, kind) } as Partial<T>)}
        />
      ))}
    </div>
  );
}

function typed(text: string, kind: FieldSpec<unknown>['kind']): string | number | null {
  if (kind === 'decimal') return decimal(text);
  if (text === '') return kind === 'whole' ? 0 : null;
  return Math.trunc(Number(text));
}

/** A decimal as it was typed, with a point for a comma; null for nothing. */
export function decimal(text: string): string | null {
  return text.trim().replace(',', '.') || null;
}

export { NumberFields, RulePart };
