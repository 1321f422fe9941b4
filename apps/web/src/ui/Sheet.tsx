import { Popover } from 'radix-ui';
import { useRef, useState, type ReactElement, type ReactNode } from 'react';

/**
 * A small sheet that opens beside what it belongs to. `children` get a way to close it for something that was chosen:
 * then the focus goes to that, and not back to where the sheet was opened.
 */
export function Sheet(props: {
  label: string;
  trigger: ReactNode;
  /** In CSS pixels; never wider than the window. */
  width?: number;
  children: ReactNode | ((choose: () => void) => ReactNode);
}): ReactElement {
  const { label, trigger, width = 280, children } = props;
  const [isOpen, setIsOpen] = useState(false);
  const hasChosen = useRef(false);
  const choose = (): void => {
    hasChosen.current = true;
    setIsOpen(false);
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={8}
          collisionPadding={10}
          aria-label={label}
          onCloseAutoFocus={(event) => {
            if (hasChosen.current) event.preventDefault();
            hasChosen.current = false;
          }}
          style={{ width: `min(${width}px, calc(100vw - 24px))` }}
          className="z-[60] max-h-[min(460px,70vh)] overflow-y-auto rounded-[6px] border border-line bg-sheet p-3 text-[13px]"
        >
          {typeof children === 'function' ? children(choose) : children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
