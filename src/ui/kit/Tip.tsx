import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  /** What is said of the button; nothing: no tip. */
  readonly words: string | undefined;
  readonly children: ReactNode;
}

/** Says more of a button when it is pointed at or come to by keys. It says nothing that is not found elsewhere: a finger has no such tips. */
export function Tip({ words, children }: Props) {
  if (!words) return children;
  return (
    <Tooltip.Provider delayDuration={400}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            className="z-50 max-w-80 rounded-[3px] bg-strip px-2.5 py-1.5 text-[0.9rem] text-[#fdfdf9]"
            sideOffset={4}
            collisionPadding={8}
          >
            {words}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
