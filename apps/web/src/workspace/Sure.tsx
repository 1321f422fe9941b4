import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** A question in its place, for what cannot be taken back by oneself. */
export function Sure(props: {
  question: string;
  yes: string;
  onYes: () => void;
  onNo: () => void;
}): ReactElement {
  return (
    <div className="flex w-full flex-wrap items-center gap-2 rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-[14px]">
      <p className="min-w-[200px] flex-1">{props.question}</p>
      <Button size="small" look="ember" onClick={props.onYes}>
        {props.yes}
      </Button>
      <Button size="small" look="quiet" onClick={props.onNo}>
        Leave it
      </Button>
    </div>
  );
}
