import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import { useState, type ReactElement, type ReactNode } from 'react';
import { classes } from './classes';

/** A sheet over the page. Escape, the cross and a click beside it close it. */
export function Dialog(props: {
  title: string;
  description?: string;
  isOpen: boolean;
  onClose: () => void;
  isWide?: boolean;
  children: ReactNode;
}): ReactElement {
  // What had the focus gets it back. Noted while rendering: a field that takes it by itself does so before any effect.
  const [opened, setOpened] = useState<{ isOpen: boolean; from: Element | null }>({
    isOpen: false,
    from: null,
  });
  if (opened.isOpen !== props.isOpen) {
    setOpened({
      isOpen: props.isOpen,
      from: props.isOpen ? document.activeElement : opened.from,
    });
  }
  const giveBack = (event: Event): void => {
    event.preventDefault();
    const { from } = opened;
    const isTaken = document.activeElement !== null && document.activeElement !== document.body;
    if (!isTaken && from instanceof HTMLElement && from.isConnected) from.focus();
  };
  return (
    <Radix.Root open={props.isOpen} onOpenChange={(isOpen) => !isOpen && props.onClose()}>
      <Radix.Portal>
        {/* Not the library’s own, which writes a style sheet into the page: the security policy forbids that. */}
        <div className="fixed inset-0 z-40 bg-ink/35" />
        <Radix.Content
          onCloseAutoFocus={giveBack}
          className={classes(
            'fixed z-50 left-1/2 top-1/2 -translate-x-1/2 -translate-y-1/2 max-h-[88vh] w-[calc(100vw-24px)] overflow-auto rounded-[6px] border border-line bg-paper p-6',
            props.isWide ? 'max-w-[820px]' : 'max-w-[480px]',
          )}
          {...(props.description ? {} : { 'aria-describedby': undefined })}
        >
          <Radix.Title className="font-head text-[21px] font-semibold pr-10">
            {props.title}
          </Radix.Title>
          {props.description && (
            <Radix.Description className="mt-1 text-soft">{props.description}</Radix.Description>
          )}
          <div className="mt-4">{props.children}</div>
          <Radix.Close
            aria-label="Close"
            className="absolute right-4 top-4 grid size-9 place-items-center rounded-[6px] hover:bg-sand"
          >
            <X size={18} />
          </Radix.Close>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
