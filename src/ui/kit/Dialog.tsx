import { X } from 'lucide-react';
import { Dialog as Parts } from 'radix-ui';
import type { ReactNode } from 'react';
import { WORDS } from '../../words/en/ui/dialog.ts';

interface DialogProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  /** Whether the title is only read out. */
  readonly hiddenTitle?: boolean;
  /** Read out after the title. */
  readonly about?: string;
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/**
 * A dialog over the page: focus stays in it, Escape and a press beside it close it, and the focus goes back where it was. The package's own overlay brings a style element, which the content security policy refuses; ours is drawn by a class.
 */
export function Dialog({ open, onOpenChange, title, hiddenTitle, about, wide, children }: DialogProps) {
  return (
    <Parts.Root open={open} onOpenChange={onOpenChange}>
      <Parts.Portal>
        <div className="kit-veil" aria-hidden="true" />
        <Parts.Content
          className={`kit-dialog ${wide ? 'wide' : ''}`}
          {...(about === undefined ? { 'aria-describedby': undefined } : {})}
        >
          <div className={hiddenTitle ? 'sr-only' : 'mb-3 flex items-start justify-between gap-4'}>
            <Parts.Title className="num text-xl">{title}</Parts.Title>
            {!hiddenTitle && (
              <Parts.Close className="btn small" aria-label={WORDS.close}>
                <X size={18} aria-hidden="true" />
              </Parts.Close>
            )}
          </div>
          {about !== undefined && <Parts.Description className="sr-only">{about}</Parts.Description>}
          {children}
        </Parts.Content>
      </Parts.Portal>
    </Parts.Root>
  );
}
