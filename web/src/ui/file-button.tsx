import { useRef } from 'react';
import { Button } from './button';

interface FileButtonProps {
  label: string;
  /** What is being done with a chosen file; null while nothing is. */
  busy: string | null;
  /** Name of the hidden input, for whoever reads it out. */
  name: string;
  accept?: string;
  /** Takes all files of a folder. */
  folder?: boolean;
  /** Whether more than one can be chosen. */
  several?: boolean;
  className?: string;
  onFiles: (files: File[]) => void;
}

/** A button that opens the machine's own way to choose a file, or a folder. */
function FileButton({ label, busy, name, accept, folder, several, className, onFiles }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button disabled={busy !== null} onClick={() => input.current?.click()} className={className}>
        {busy ?? label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        multiple={several}
        {...(folder ? { webkitdirectory: '' } : {})}
        aria-label={name}
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </>
  );
}

export { FileButton };
