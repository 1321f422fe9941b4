import type { ReactElement } from 'react';
import { sentenceOf } from '../api/http';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';

/** Whoever leaves a show that others have a part in says what becomes of it. */
export default function LeaveDialog(props: {
  followers: number;
  end: () => Promise<void>;
  onLeave: () => void;
  onClose: () => void;
}): ReactElement {
  const { followers, end, onLeave } = props;
  const { trouble } = useNotices();
  return (
    <Dialog
      title="Leave the show"
      description={
        followers > 0
          ? `${followers} ${followers === 1 ? 'device follows' : 'devices follow'} it.`
          : 'It is open to others.'
      }
      isOpen
      onClose={props.onClose}
    >
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          size="large"
          onClick={() => void end().then(onLeave, (error: unknown) => trouble(sentenceOf(error)))}
        >
          End it for everybody
        </Button>
        <Button size="large" onClick={onLeave}>
          Leave: it goes on for them
        </Button>
      </div>
    </Dialog>
  );
}
