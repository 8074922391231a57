import { Check, ChevronRight } from 'lucide-react';
import { DropdownMenu as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

const SHEET =
  'z-50 min-w-44 rounded border border-line bg-raised p-1 text-[14px] shadow-[0_6px_24px_-8px_rgb(0_0_0/0.35)]';
const ROW =
  'relative flex cursor-pointer select-none items-center gap-2 rounded px-2.5 py-1.5 pl-7 outline-none data-[highlighted]:bg-line-2';

interface MenuProps {
  trigger: ReactNode;
  children: ReactNode;
  align?: 'start' | 'end';
  /** For a menu that is only made when it is asked for. */
  defaultOpen?: boolean;
}

/** A list of things to do or choose that opens under its button. */
function Menu({ trigger, children, align = 'start', defaultOpen }: MenuProps) {
  return (
    <Radix.Root modal={false} defaultOpen={defaultOpen}>
      <Radix.Trigger asChild>{trigger}</Radix.Trigger>
      <Radix.Portal>
        <Radix.Content align={align} sideOffset={4} className={SHEET}>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

function MenuItem({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <Radix.Item onSelect={onSelect} className={ROW}>
      {children}
    </Radix.Item>
  );
}

interface MenuCheckProps {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}

/** Stays open, so that several can be chosen. */
function MenuCheck({ checked, onChange, children }: MenuCheckProps) {
  return (
    <Radix.CheckboxItem
      checked={checked}
      onCheckedChange={onChange}
      onSelect={(event) => event.preventDefault()}
      className={ROW}
    >
      <Radix.ItemIndicator className="absolute left-2">
        <Check size={14} aria-hidden />
      </Radix.ItemIndicator>
      {children}
    </Radix.CheckboxItem>
  );
}

interface MenuChoiceProps {
  value: string;
  onChange: (value: string) => void;
  choices: readonly (readonly [value: string, words: string])[];
}

function MenuChoice({ value, onChange, choices }: MenuChoiceProps) {
  return (
    <Radix.RadioGroup value={value} onValueChange={onChange}>
      {choices.map(([choice, words]) => (
        <Radix.RadioItem key={choice} value={choice} className={ROW}>
          <Radix.ItemIndicator className="absolute left-2">
            <Check size={14} aria-hidden />
          </Radix.ItemIndicator>
          {words}
        </Radix.RadioItem>
      ))}
    </Radix.RadioGroup>
  );
}

/** A list behind a line of another list. */
function MenuSub({ label, children }: { label: ReactNode; children: ReactNode }) {
  return (
    <Radix.Sub>
      <Radix.SubTrigger className={`${ROW} data-[state=open]:bg-line-2`}>
        {label}
        <ChevronRight size={14} aria-hidden className="ml-auto" />
      </Radix.SubTrigger>
      <Radix.Portal>
        <Radix.SubContent
          sideOffset={4}
          collisionPadding={8}
          className={`${SHEET} max-h-[70dvh] overflow-auto`}
        >
          {children}
        </Radix.SubContent>
      </Radix.Portal>
    </Radix.Sub>
  );
}

function MenuLabel({ children }: { children: ReactNode }) {
  return <Radix.Label className="px-2.5 pt-1.5 pb-1 text-[13px] text-ink-2">{children}</Radix.Label>;
}

function MenuRule() {
  return <Radix.Separator className="my-1 h-px bg-line" />;
}

export { Menu, MenuCheck, MenuChoice, MenuItem, MenuLabel, MenuRule, MenuSub };
