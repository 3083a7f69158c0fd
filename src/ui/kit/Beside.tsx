import { Popover } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

interface Props {
  /** The button it opens beside. */
  readonly anchor: RefObject<HTMLElement | null>;
  readonly label: string;
  readonly onClose: () => void;
  readonly align?: 'start' | 'end';
  readonly className: string;
  readonly children: ReactNode;
}

/** Something small that opens beside a button: shut by Escape, by a press elsewhere, or by its button. */
export function Beside({ anchor, label, onClose, align = 'end', className, children }: Props) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor as RefObject<HTMLElement>} />
      <Popover.Portal>
        <Popover.Content
          className={className}
          aria-label={label}
          align={align}
          sideOffset={4}
          collisionPadding={8}
          onPointerDownOutside={(e) => {
            // Its button shuts it itself.
            if (anchor.current?.contains(e.target as Node)) e.preventDefault();
          }}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
