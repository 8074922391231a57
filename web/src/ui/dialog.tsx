import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface DialogProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  /** What this is about, in a sentence; read out when the dialog opens. */
  about?: string;
  children: ReactNode;
  wide?: boolean;
}

/** A sheet over the page for one thing to decide. Focus stays in it and goes back where it came from. */
function Dialog({ open, onOpenChange, title, about, children, wide = false }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#0b1614]/55" />
        <Radix.Content
          {...(about ? {} : { 'aria-describedby': undefined })}
          className={clsx(
            'fixed top-1/2 left-1/2 z-50 flex max-h-[92dvh] w-[calc(100vw-24px)] -translate-x-1/2 -translate-y-1/2 flex-col overflow-auto rounded border border-line bg-raised p-5 print:top-0 print:max-h-none print:translate-y-0 print:border-0',
            wide ? 'max-w-[760px]' : 'max-w-[480px]',
          )}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <div>
              <Radix.Title className="font-bold text-[18px] leading-snug">{title}</Radix.Title>
              {about && (
                <Radix.Description className="mt-0.5 text-[14px] text-ink-2">{about}</Radix.Description>
              )}
            </div>
            <Radix.Close
              aria-label="Close"
              className="no-print -mt-1 -mr-1 rounded p-1.5 text-ink-2 hover:bg-line-2"
            >
              <X size={17} aria-hidden />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

export type { DialogProps };
export { Dialog };
