import { useRef, useState } from 'react';
import type { Detail } from '../../api/client';
import { TextField } from '../../ui/field';
import { fileFault } from './check-file';

type Takes = Detail['takes'];

interface Along {
  files: readonly File[];
  fault: string | undefined;
  /** Whether files are being looked at: nothing is to be sent meanwhile. */
  busy: boolean;
  choose: (files: readonly File[]) => Promise<void>;
}

/** Files that go with something; wrong ones are left out with words, before anything of them is sent. */
function useAlong(takes: Takes): Along {
  const [files, setFiles] = useState<readonly File[]>([]);
  const [fault, setFault] = useState<string | undefined>();
  const [busy, setBusy] = useState(false);
  const latest = useRef<readonly File[]>([]);
  const choose = async (chosen: readonly File[]) => {
    latest.current = chosen;
    setBusy(true);
    const wrong = await Promise.all(chosen.map((file, place) => fileFault(file, takes, place)));
    if (latest.current !== chosen) return;
    setFiles(chosen.filter((_, place) => wrong[place] === null));
    setFault(wrong.filter(Boolean).join(' ') || undefined);
    setBusy(false);
  };
  return { files, fault, busy, choose };
}

interface AlongFieldProps {
  label: string;
  hint: string;
  along: Along;
  /** Endings, comma-separated; any without. */
  accept?: string;
  /** What the server said of them. */
  fault?: string | undefined;
}

function AlongField({ label, hint, along, accept, fault }: AlongFieldProps) {
  return (
    <TextField
      label={label}
      type="file"
      multiple
      accept={accept}
      hint={hint}
      className="py-1.5 text-[14px]"
      onChange={(event) => void along.choose([...(event.target.files ?? [])])}
      fault={along.fault ?? fault}
    />
  );
}

/** Fields and files of one name as a form; what is null is left out. */
function formOf(
  fields: Record<string, string | number | null>,
  name: string,
  files: readonly File[],
): FormData {
  const form = new FormData();
  for (const file of files) form.append(name, file);
  for (const [field, value] of Object.entries(fields)) {
    if (value !== null) form.append(field, String(value));
  }
  return form;
}

export { AlongField, formOf, useAlong };
