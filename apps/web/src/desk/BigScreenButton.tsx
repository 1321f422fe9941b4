import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import type { DeskActions } from '../lesson/useDeskActions';

/** The big screen in a window of one's own, or on another device. */
export function BigScreenButton(props: { lessonId: string; act: DeskActions }): ReactElement {
  const { lessonId, act } = props;
  const [code, setCode] = useState('');
  return (
    <Sheet label="Big screen" width={320} trigger={<Button>Big screen</Button>}>
      {(close) => (
        <>
          <Button
            className="w-full"
            onClick={() => {
              window.open(`/screen/${lessonId}`, `screen-${lessonId}`);
              close();
            }}
          >
            In a window of this computer
          </Button>
          <form
            className="mt-4"
            onSubmit={(event) => {
              event.preventDefault();
              act.pair(code);
              setCode('');
              close();
            }}
          >
            <p className="text-soft">
              Or open <b className="text-ink">{window.location.host}/screen</b> on another device
              and type the code that it shows.
            </p>
            <div className="mt-2 flex gap-2">
              <input
                aria-label="Code of the screen"
                value={code}
                maxLength={12}
                autoComplete="off"
                onChange={(event) => setCode(event.target.value)}
                className="h-9 min-w-0 flex-1 rounded-[4px] border border-line px-2 uppercase"
              />
              <Button type="submit" look="main" disabled={code.trim() === ''}>
                Pair
              </Button>
            </div>
          </form>
          <Button look="quiet" size="small" className="mt-2" onClick={() => act.pair(null)}>
            Turn paired screens off
          </Button>
        </>
      )}
    </Sheet>
  );
}
