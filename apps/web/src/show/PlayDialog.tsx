import { writePace, type PlayPace } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { Segments } from '../ui/Segments';

const PACES = { slow: 90, middle: 130, fast: 180 } as const;
type Choice = keyof typeof PACES | 'fixed';

/** How a show goes on by itself. */
export default function PlayDialog(props: {
  onPlay: (pace: string, isLooped: boolean) => void;
  onClose: () => void;
}): ReactElement {
  const [choice, setChoice] = useState<Choice>('middle');
  const [seconds, setSeconds] = useState('8');
  const [isLooped, setIsLooped] = useState(false);
  const fixed = Math.round(Number(seconds));
  const isReadable = choice !== 'fixed' || (fixed >= 1 && fixed <= 600);
  const pace: PlayPace =
    choice === 'fixed'
      ? { kind: 'fixed', seconds: fixed }
      : { kind: 'read', wordsPerMinute: PACES[choice] };
  return (
    <Dialog
      title="Play by itself"
      description="It waits where somebody has to choose, unless a choice is marked to be taken. Any key or touch stops it."
      isOpen
      onClose={props.onClose}
    >
      <Segments
        label="How long a slide stays"
        value={choice}
        options={[
          { value: 'slow', label: 'Slow readers' },
          { value: 'middle', label: 'As most read' },
          { value: 'fast', label: 'Fast readers' },
          { value: 'fixed', label: 'Always as long' },
        ]}
        onChange={setChoice}
      />
      {choice === 'fixed' ? (
        <Field
          className="mt-3 w-[160px]"
          label="Seconds on a slide"
          inputMode="numeric"
          value={seconds}
          error={isReadable ? undefined : 'From 1 to 600'}
          onChange={({ target }) => setSeconds(target.value)}
        />
      ) : (
        <p className="mt-3 text-[14px] text-soft">
          By the words on a slide, {PACES[choice]} in a minute; sounds and videos play to their end.
        </p>
      )}
      <label className="mt-3 flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-petrol"
          checked={isLooped}
          onChange={({ target }) => setIsLooped(target.checked)}
        />
        Again from the start, as on a screen in a hall
      </label>
      <Button
        look="main"
        size="large"
        className="mt-4"
        disabled={!isReadable}
        onClick={() => props.onPlay(writePace(pace), isLooped)}
      >
        Play
      </Button>
    </Dialog>
  );
}
