import { Cell, faultIn, type Grade, Grid, replaced, without } from './grade-rows';
import { type FieldSpec, NumberFields, type PartProps, RulePart } from './rules-form';

const ROUNDING: readonly FieldSpec<Grade>[] = [
  {
    name: 'decimals',
    label: 'Rounded first, decimals',
    hint: 'Empty: judged as it is',
    kind: 'whole or none',
  },
];

/** Letters, or pass and fail. */
function LetterPart({ sheet, change, fault, trial }: PartProps) {
  const { grade } = sheet;
  const list = grade.letters;
  const set = (part: Partial<Grade>) => change({ ...sheet, grade: { ...grade, ...part } });
  const alter = (i: number, part: Partial<Grade['letters'][number]>) =>
    set({ letters: replaced(list, i, part) });
  if (grade.kind === 'COMPLETION') return null;
  return (
    <RulePart
      title="Letters"
      about="From which figure each letter, or a pass, is given. A boundary itself already counts."
      example={<p>{trial.letters ?? 'There are no letters.'}</p>}
    >
      <div className="flex flex-col gap-3">
        <div>
          <Grid
            tracks="minmax(120px,200px) 84px"
            heads={['Letter', 'From']}
            onAdd={() => set({ letters: [...list, { label: '', from: '0' }] })}
            addWords="Add a letter"
            onRemove={(i) => set({ letters: without(list, i) })}
            fault={faultIn(fault, 'grade.letters', list.length, ['label', 'from'])}
            rows={list.map((one, i) => (
              <>
                <Cell
                  label={`Letter ${i + 1}`}
                  value={one.label}
                  wrong={fault(`grade.letters[${i}].label`)}
                  onChange={(label) => alter(i, { label })}
                />
                <Cell
                  number
                  label={`Boundary of ${one.label}`}
                  value={one.from}
                  wrong={fault(`grade.letters[${i}].from`)}
                  onChange={(from) => alter(i, { from })}
                />
              </>
            ))}
          />
        </div>
        <div>
          <NumberFields path="grade." sheet={grade} fields={ROUNDING} onChange={set} fault={fault} />
        </div>
      </div>
    </RulePart>
  );
}

export { LetterPart };
