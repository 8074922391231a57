import { Minus, Plus } from 'lucide-react';
import { SetLink } from '../../frame/set-link';
import { useStudent } from '../../frame/student';
import { Button, TextButton } from '../../ui/button';
import { HourLess } from './instead';
import { budgetWords } from './model';

const STEP = 15;
const MOST = 12 * 60;
const USUAL = 90;

interface BudgetProps {
  /** Minutes that today has from now on; null for the free hours as they are. */
  budget: number | null;
  onChange: (minutes: number | null) => void;
  busy: boolean;
}

/** How much time there is today. The plan follows while it is changed. */
function Budget({ budget, onChange, busy }: BudgetProps) {
  const { own, board } = useStudent();
  const name = board.student.name.split(' ')[0];
  const value = budget ?? USUAL;
  const set = (minutes: number) => onChange(Math.min(MOST, Math.max(0, minutes)));
  return (
    <fieldset className="no-print flex flex-col items-end gap-1 max-sm:items-start">
      <legend className="sr-only">Time today</legend>
      <span className="flex items-center gap-2">
        <span className="text-[14px] text-ink-2">{own ? 'Today I have' : `Today ${name} has`}</span>
        <output className="min-w-[88px] border-yours border-b-2 text-center font-[680]" data-busy={busy}>
          {budgetWords(budget, own)}
        </output>
        <Button
          aria-label="A quarter of an hour less"
          className="w-8 px-0!"
          onClick={() => set(value - STEP)}
        >
          <Minus size={14} aria-hidden />
        </Button>
        <Button
          aria-label="A quarter of an hour more"
          className="w-8 px-0!"
          onClick={() => set(value + STEP)}
        >
          <Plus size={14} aria-hidden />
        </Button>
      </span>
      <input
        type="range"
        aria-label="Minutes I have today"
        aria-valuetext={budgetWords(budget, own)}
        min={0}
        max={MOST}
        step={STEP}
        value={value}
        onChange={(event) => set(Number(event.target.value))}
        className="h-6 w-full accent-(--yours)"
      />
      <span className="flex gap-3 text-[13px] text-ink-2">
        {budget !== null && (
          <TextButton onClick={() => onChange(null)}>
            {own ? 'Plan by my free hours' : 'Plan by their free hours'}
          </TextButton>
        )}
        {budget === null && <HourLess />}
        <SetLink set="hours">Your time</SetLink>
        <SetLink set="goals">Goals</SetLink>
      </span>
    </fieldset>
  );
}

export { Budget };
