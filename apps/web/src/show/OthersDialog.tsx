import { useEffect, useState, type ReactElement } from 'react';
import { http, sentenceOf } from '../api/http';
import { CodeCard } from '../running/CodeCard';
import { Button } from '../ui/Button';
import { Check } from '../ui/controls';
import { CopyLine } from '../ui/CopyLine';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';
import type { Others } from './useOthers';

/** Who else has a part in a show: those who follow it, and devices that steer it. */
export default function OthersDialog(props: {
  deckId: string;
  others: Others;
  isOnFirst: boolean;
  onOnFirst: (isOn: boolean) => void;
  /** Puts the code over the slide. */
  onPutUp: () => void;
  onClose: () => void;
}): ReactElement {
  const { deckId, others } = props;
  const { given, line, open, look } = others;
  const { tell, trouble } = useNotices();
  const [error, setError] = useState('');
  const [pairing, setPairing] = useState('');
  const [blocked, setBlocked] = useState(false);
  const isOpen = given !== null;
  useEffect(() => {
    if (!isOpen) open().catch((problem: unknown) => setError(sentenceOf(problem)));
  }, [isOpen, open]);
  const isPairing = pairing !== '';
  useEffect(() => {
    if (!isPairing) return;
    const timer = setInterval(look, 2000);
    return () => clearInterval(timer);
  }, [isPairing, look]);
  const act = (what: () => Promise<unknown>, said?: string): void =>
    void what().then(
      () => said && tell(said),
      (problem: unknown) => trouble(sentenceOf(problem)),
    );
  const presenter = `/deck/${deckId}/presenter`;
  const second = (): void => {
    const opened = window.open(
      presenter,
      `gobrel-presenter-${deckId}`,
      'popup,width=1280,height=800',
    );
    setBlocked(!opened);
    if (opened) props.onClose();
  };
  return (
    <Dialog title="Others in this show" isOpen isWide onClose={props.onClose}>
      {!given ? (
        error ? (
          <p role="alert">
            {error} <Button onClick={() => act(open)}>Try again</Button>
          </p>
        ) : (
          <p className="text-soft">One moment …</p>
        )
      ) : (
        <>
          <div className="grid gap-6 sm:grid-cols-2">
            <section aria-label="Those who follow">
              <h2 className="text-[17px]">Those who follow</h2>
              <p className="mt-1 mb-3 text-[14px] text-soft">
                Each sees the slide on a device of their own, without an account or a name.
              </p>
              <CodeCard lead="Follow at" path="/follow" code={given.code} size="normal" />
              <p role="status" className="mt-3 text-center text-[14px]">
                {line.timing?.followers ?? 0} follow now
              </p>
              <div className="mt-3 flex flex-col items-start gap-2">
                <Check
                  label="The code stands on the first slide"
                  isOn={props.isOnFirst}
                  onChange={props.onOnFirst}
                />
                <Button onClick={props.onPutUp}>Put the code up now</Button>
              </div>
            </section>
            <section aria-label="Devices that steer">
              <h2 className="text-[17px]">For you</h2>
              <p className="mt-1 mb-3 text-[14px] text-soft">
                Notes, ways on as pictures, the time, a pointer and a pen: beside the slide that the
                room sees.
              </p>
              <div className="flex flex-wrap gap-2">
                <Button look="main" onClick={second}>
                  Presenter’s window
                </Button>
                <Button
                  onClick={() =>
                    act(async () => {
                      const { code } = await http.post<{ code: string }>(
                        `shows/${given.id}/remotes`,
                      );
                      setPairing(code);
                    })
                  }
                >
                  Another device
                </Button>
              </div>
              {blocked && (
                <div role="alert" className="mt-3 text-[14px]">
                  The browser does not let us open a window.{' '}
                  <a
                    href={presenter}
                    target="_blank"
                    rel="noreferrer"
                    className="font-semibold text-petrol underline"
                  >
                    Open it in a tab
                  </a>
                  , or allow windows of this site.
                </div>
              )}
              {isPairing && (
                <div className="mt-4 rounded-[6px] border border-line bg-sheet p-4">
                  <CodeCard lead="Open" path="/remote" code={pairing} size="normal" />
                  <p className="mt-2 text-center text-[13px] text-soft">
                    Good for one device, and ten minutes: a phone is a remote, a larger one shows
                    all. Whoever has it sees your notes.
                  </p>
                </div>
              )}
              {given.remotes > 0 && (
                <p className="mt-3 flex flex-wrap items-center gap-2 text-[14px]">
                  {given.remotes === 1 ? 'One device steers' : `${given.remotes} devices steer`}{' '}
                  beside this one.
                  <Button
                    size="small"
                    onClick={() =>
                      act(async () => {
                        await http.remove(`shows/${given.id}/remotes`);
                        setPairing('');
                        look();
                      }, 'No other device steers the show now.')
                    }
                  >
                    Let them go
                  </Button>
                </p>
              )}
            </section>
          </div>
          <div className="mt-5 border-t border-line pt-4">
            <CopyLine
              label="Address to follow at"
              value={`${window.location.origin}/follow/${given.code.toLowerCase().replace(' ', '')}`}
              copy="Copy address"
            >
              <Button look="quiet" onClick={() => act(others.end, 'Nobody follows any more.')}>
                End it for others
              </Button>
            </CopyLine>
          </div>
        </>
      )}
    </Dialog>
  );
}
