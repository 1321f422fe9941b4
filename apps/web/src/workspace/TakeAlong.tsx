import { fileNameOf, type Deck } from '@gobrel/core';
import { useEffect, useMemo, useState, type ReactElement } from 'react';
import { useDeck } from '../deck/DeckContext';
import { memory } from '../sync/memory';
import { Button } from '../ui/Button';
import { Check } from '../ui/controls';
import { saveFile } from '../ui/saveFile';
import { Segments } from '../ui/Segments';
import type { AlongNews, AlongOrder } from './takeAlong.worker';

const SHARP = 'gobrel.along.sharp';
/** How many slides are sent to the worker at a time. */
const AT_A_TIME = 10;

/** The deck as one file, which opens without a network. It is made while one looks: how large it is stands there first. */
export default function TakeAlong(): ReactElement {
  const { deck } = useDeck();
  // Who goes on building beside it saves the deck as it was when this was opened.
  const [taken] = useState(deck);
  const [hasKeys, setHasKeys] = useState(false);
  const [isSharp, setIsSharp] = useState(memory.get(SHARP) === 'yes');
  const [isStopped, setIsStopped] = useState(false);
  const [tries, setTries] = useState(0);
  const news = useMaking(isStopped ? null : taken, hasKeys, isSharp, tries);
  const begin = (): void => {
    setIsStopped(false);
    setTries(tries + 1);
  };
  if (taken.startSlideId === null) {
    return <p className="text-soft">This deck has no slide to begin on. Make one first.</p>;
  }
  return (
    <section aria-label="Take along">
      <p className="mb-3 text-soft">
        One file with all that readers get of the deck. It opens in any browser, on a computer or a
        phone, from a stick, without a network and without Gobrel. What is tried in it is not kept.
      </p>
      <div className="flex flex-col gap-3">
        <Segments
          label="Pictures"
          value={isSharp ? 'sharp' : 'screen'}
          options={[
            { value: 'screen', label: 'Pictures for a screen' },
            { value: 'sharp', label: 'As they were brought' },
          ]}
          onChange={(value) => {
            setIsSharp(value === 'sharp');
            memory.set(SHARP, value === 'sharp' ? 'yes' : 'no');
          }}
        />
        <Check label="Answers are marked" isOn={hasKeys} onChange={setHasKeys} />
        <p className="-mt-2 text-[14px] text-soft">
          {hasKeys
            ? 'The file holds the right answers: whoever knows how can read them.'
            : 'Questions can be answered, and nothing says what is right. No right answer is in the file.'}
        </p>
      </div>
      <div className="mt-4 flex min-h-11 flex-wrap items-center gap-3 border-t border-line pt-4">
        {news?.what === 'made' ? (
          <>
            <Button
              look="main"
              onClick={() =>
                saveFile(fileNameOf(taken.title, 'html'), news.file, 'text/html;charset=utf-8')
              }
            >
              Save the file
            </Button>
            <p role="status">
              <b>{sizeOf(news.file.size)}</b>
              <span className="text-soft">, {whatIsIn(news)}</span>
            </p>
          </>
        ) : isStopped || news?.what === 'failed' ? (
          <>
            <Button onClick={begin}>Make it</Button>
            <p role={isStopped ? undefined : 'alert'} className="text-soft">
              {isStopped
                ? 'Stopped.'
                : 'The file could not be made: not everything that it needs came from the server.'}
            </p>
          </>
        ) : (
          <>
            <progress
              aria-label="Making the file"
              className="w-[220px] accent-petrol"
              value={news?.share ?? 0}
            />
            <span className="text-soft">Putting it together …</span>
            <Button look="quiet" onClick={() => setIsStopped(true)}>
              Stop
            </Button>
          </>
        )}
      </div>
      {news?.what === 'made' && news.missing > 0 && (
        <p role="alert" className="mt-2 text-ember-deep">
          {news.missing === 1 ? 'One file' : `${news.missing} files`} of the deck could not be
          found, and {news.missing === 1 ? 'is' : 'are'} missing in it.
        </p>
      )}
    </section>
  );
}

/** What a worker makes of the deck, and how far it has come; made anew when something else is wished. */
function useMaking(
  deck: Deck | null,
  hasKeys: boolean,
  isSharp: boolean,
  tries: number,
): AlongNews | null {
  const key = `${hasKeys} ${isSharp} ${tries}`;
  const [news, setNews] = useState<{ key: string; news: AlongNews } | null>(null);
  useEffect(() => {
    if (!deck) return;
    const worker = new Worker(new URL('./takeAlong.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.onmessage = ({ data }: MessageEvent<AlongNews>) => setNews({ key, news: data });
    worker.onerror = () => setNews({ key, news: { what: 'failed' } });
    const order = (what: AlongOrder): void => worker.postMessage(what);
    const slides = Object.values(deck.slides);
    const send = (from: number): void => {
      if (from >= slides.length) {
        return order({ what: 'make', deck: { ...deck, slides: {} }, hasKeys, isSharp });
      }
      order({ what: 'slides', slides: slides.slice(from, from + AT_A_TIME) });
      timer = setTimeout(() => send(from + AT_A_TIME));
    };
    let timer = setTimeout(() => send(0));
    return () => {
      clearTimeout(timer);
      worker.terminate();
    };
  }, [deck, hasKeys, isSharp, key]);
  return useMemo(() => (news?.key === key ? news.news : null), [news, key]);
}

const sizeOf = (bytes: number): string =>
  bytes < 995_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** What makes the file as large as it is, in words. */
function whatIsIn({ slides, files }: Extract<AlongNews, { what: 'made' }>): string {
  const counted = (count: number, one: string, more: string): string[] =>
    count === 0 ? [] : [`${count} ${count === 1 ? one : more}`];
  return [
    ...counted(slides, 'slide', 'slides'),
    ...counted(files.picture, 'picture', 'pictures'),
    ...counted(files.media, 'sound or video', 'sounds and videos'),
    ...counted(files.file, 'file to hand out', 'files to hand out'),
  ].join(', ');
}
