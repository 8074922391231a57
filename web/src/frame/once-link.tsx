import { useState } from 'react';
import { Button } from '../ui/button';
import { noticeFault } from '../ui/notice';

interface OnceLinkProps {
  /** What it is. */
  label: string;
  text: string;
  onDone: () => void;
}

/** Something secret that is shown once, to be copied. */
function OnceLink({ label, text, onDone }: OnceLinkProps) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(text);
    setCopied(true);
  };
  return (
    <div role="status" className="border-teal border-l-4 bg-line-2 px-3 py-2">
      <p className="mb-1 font-semibold">Copy it now: it isn’t shown again.</p>
      <code title={label} className="block select-all break-all text-[13.5px]">
        {text}
      </code>
      <div className="mt-2 flex gap-2">
        <Button onClick={() => void copy().catch(noticeFault)}>{copied ? 'Copied' : 'Copy'}</Button>
        <Button look="quiet" onClick={onDone}>
          I have it
        </Button>
      </div>
    </div>
  );
}

export { OnceLink };
