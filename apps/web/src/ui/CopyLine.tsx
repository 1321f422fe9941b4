import type { ReactElement, ReactNode } from 'react';
import { Button } from './Button';
import { useNotices } from './Notice';

/** Something to be pasted elsewhere: to be seen, marked and copied. */
export function CopyLine(props: {
  label: string;
  value: string;
  /** What the button says. */
  copy: string;
  isLong?: boolean;
  children?: ReactNode;
}): ReactElement {
  const { label, value } = props;
  const { tell, trouble } = useNotices();
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(value);
      tell('Copied.');
    } catch {
      trouble('The browser does not let us copy. Mark it and copy it yourself.');
    }
  };
  const look =
    'min-h-[34px] min-w-[220px] flex-1 rounded-[6px] border border-line bg-sheet px-3 text-[14px]';
  const shown = {
    readOnly: true,
    'aria-label': label,
    value,
    onFocus: (event: { target: { select: () => void } }) => event.target.select(),
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      {props.isLong ? (
        <textarea {...shown} rows={3} className={`${look} py-1.5 font-mono text-[13px]`} />
      ) : (
        <input {...shown} className={look} />
      )}
      <Button onClick={() => void copy()}>{props.copy}</Button>
      {props.children}
    </div>
  );
}
