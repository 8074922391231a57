import type { Schemas } from '../../api/client';
import { Choice } from '../../ui/choice';
import { Check } from '../../ui/field';
import { type FieldSpec, NumberFields, type PartProps, RulePart } from './rules-form';

type Extension = Schemas['ExtensionSheet'];
type Tokens = Schemas['TokenSheet'];

const USUAL_EXTENSION: Extension = {
  beforeHours: null,
  afterHours: 36,
  lengthDays: 4,
  limit: 1,
  answered: 'AT_ONCE',
  tokens: 0,
  penaltyPercent: null,
};

const USUAL_TOKENS: Tokens = { bank: 3, spanHours: 24, most: 1, afterHours: 0 };

const ANSWERED = [
  ['AT_ONCE', 'At once'],
  ['TEACHER', 'By the teacher'],
] as const;

const EXTENSION_FIELDS: readonly FieldSpec<Extension>[] = [
  { name: 'lengthDays', label: 'Days that it gives', kind: 'whole' },
  { name: 'afterHours', label: 'Asked until, hours', hint: 'After the original due', kind: 'whole' },
  {
    name: 'beforeHours',
    label: 'Asked from, hours',
    hint: 'Before the due. Empty: any time',
    kind: 'whole or none',
  },
  { name: 'limit', label: 'At most on one work', kind: 'whole' },
  {
    name: 'penaltyPercent',
    label: 'Percent lost',
    hint: 'Of points earned after the first due',
    kind: 'decimal',
  },
  { name: 'tokens', label: 'Tokens that it costs', kind: 'whole' },
];

const TOKEN_FIELDS: readonly FieldSpec<Tokens>[] = [
  { name: 'bank', label: 'Tokens in the bank', kind: 'whole' },
  { name: 'spanHours', label: 'Hours that each adds', kind: 'whole' },
  { name: 'most', label: 'At most on one work', kind: 'whole' },
  { name: 'afterHours', label: 'Usable until, hours', hint: 'After the due in force', kind: 'whole' },
];

/** Extensions that can be asked for. */
function ExtensionPart({ sheet, change, fault, trial }: PartProps) {
  const { extension } = sheet.leeway;
  const put = (next: Extension | null) => change({ ...sheet, leeway: { ...sheet.leeway, extension: next } });
  const set = (part: Partial<Extension>) => extension && put({ ...extension, ...part });
  return (
    <RulePart
      title="Extensions"
      about="When more time can be asked for, and what one brings. It counts from the original due, not from the asking, and never goes past the grading close."
      example={<p>{trial.extension ?? 'Nothing can be asked for.'}</p>}
    >
      <Check
        label="This course gives extensions"
        checked={extension !== null}
        onChange={(event) => put(event.target.checked ? USUAL_EXTENSION : null)}
      />
      {extension && (
        <div className="mt-3 flex flex-col gap-4">
          <Choice
            label="It is answered"
            value={extension.answered}
            options={ANSWERED}
            onChange={(answered) => set({ answered })}
          />
          <NumberFields
            path="leeway.extension."
            sheet={extension}
            fields={EXTENSION_FIELDS}
            onChange={set}
            fault={fault}
          />
        </div>
      )}
    </RulePart>
  );
}

/** A bank of tokens. */
function TokenPart({ sheet, change, fault, trial }: PartProps) {
  const { tokens } = sheet.leeway;
  const put = (next: Tokens | null) => change({ ...sheet, leeway: { ...sheet.leeway, tokens: next } });
  const set = (part: Partial<Tokens>) => tokens && put({ ...tokens, ...part });
  return (
    <RulePart
      title="Tokens"
      about="A bank for the term: each token moves a due on, without asking anybody."
      example={<p>{trial.tokens ?? 'There are none.'}</p>}
    >
      <Check
        label="This course gives tokens"
        checked={tokens !== null}
        onChange={(event) => put(event.target.checked ? USUAL_TOKENS : null)}
      />
      {tokens && (
        <div className="mt-3">
          <NumberFields
            path="leeway.tokens."
            sheet={tokens}
            fields={TOKEN_FIELDS}
            onChange={set}
            fault={fault}
          />
        </div>
      )}
    </RulePart>
  );
}

export { ExtensionPart, TokenPart };
