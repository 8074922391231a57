import clsx from 'clsx';
import type { ImportPreview, Schemas } from '../../api/client';
import { FIELD_WORDS } from './model';

type Field = Schemas['MappingForm']['fields'][number];

interface ColumnsProps {
  columns: ImportPreview['columns'];
  fields: readonly Field[];
  fault: string;
  onChange: (fields: Field[]) => void;
}

/** The columns of a table as they stand in the file, each with what it is taken for. */
function Columns({ columns, fields, fault, onChange }: ColumnsProps) {
  const set = (place: number, field: Field) =>
    onChange(fields.map((one, at) => (at === place ? field : one)));
  return (
    <div>
      <h3 className="font-semibold text-[13.5px]">What its columns mean</h3>
      {fault && <p className="font-semibold text-[13px] text-loss">{fault}</p>}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys */}
      <div className="mt-1 overflow-x-auto" tabIndex={0} role="region" aria-label="Columns of the file">
        <table className="text-[14px]">
          <thead>
            <tr>
              {columns.map((column) => (
                <th
                  key={column.head}
                  scope="col"
                  className="whitespace-nowrap border-line border-b pr-4 pb-1 text-left font-[680]"
                >
                  {column.head}
                </th>
              ))}
            </tr>
            <tr>
              {columns.map((column, place) => (
                <td key={column.head} className="py-1 pr-4">
                  <select
                    aria-label={`What ${column.head} means`}
                    value={fields[place]}
                    onChange={(event) => set(place, event.target.value as Field)}
                    className={clsx(
                      'h-8 rounded border bg-paper px-1.5',
                      fields[place] === 'NONE' ? 'border-line text-ink-2' : 'border-ink font-semibold',
                    )}
                  >
                    {FIELD_WORDS.map(([field, words]) => (
                      <option key={field} value={field}>
                        {words}
                      </option>
                    ))}
                  </select>
                </td>
              ))}
            </tr>
          </thead>
          <tbody className="text-ink-2">
            {(columns[0]?.values ?? []).map((_, row) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rows of a file have no name but their place
              <tr key={row}>
                {columns.map((column) => (
                  <td key={column.head} className="max-w-56 truncate border-line-2 border-b py-0.5 pr-4">
                    {column.values[row]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

export { Columns };
