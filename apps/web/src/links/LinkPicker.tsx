import {
  findSlides,
  isSameTarget,
  readAddress,
  STEPS,
  stepWords,
  told,
  toSlide,
  toStep,
  type SlideId,
  type Target,
  titleOf,
} from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { http, sentenceOf } from '../api/http';
import { uploadFile } from '../api/assets';
import { useDecks } from '../api/teacher';
import { SlideCard } from '../cards/SlideCard';
import { labelOf } from '../editing/labelOf';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';
import { Segments } from '../ui/Segments';
import { useDeck } from '../deck/DeckContext';
import { MapPicture } from './MapPicture';
import { recentTargets, rememberTarget } from './recentTargets';
import { TargetName } from './TargetName';

const PLACES = [
  { value: 'slides', label: 'Slides' },
  { value: 'map', label: 'On the map' },
  { value: 'steps', label: 'Along the walk' },
  { value: 'decks', label: 'Another deck' },
  { value: 'web', label: 'Web or e-mail' },
  { value: 'file', label: 'A file' },
] as const;
type Place = (typeof PLACES)[number]['value'];

export interface LinkPickerProps {
  title: string;
  current?: Target;
  onPick: (target: Target) => void;
  /** A slide made on the spot. */
  onNew: (title: string) => void;
  onClose: () => void;
}

/** Where a link leads: the one picker for every kind of target. Typing finds slides, names a new one or is an address. */
export function LinkPicker(props: LinkPickerProps & { isOpen: boolean }): ReactElement {
  return (
    <Dialog title={props.title} isOpen={props.isOpen} onClose={props.onClose} isWide>
      <Picking {...props} />
    </Dialog>
  );
}

function Picking({ current, onPick, onNew, onClose }: LinkPickerProps): ReactElement {
  const { deckId } = useDeck();
  const [place, setPlace] = useState<Place>('slides');
  const [sought, setSought] = useState('');
  const found = useRef<HTMLDivElement>(null);
  const pick = (target: Target): void => {
    rememberTarget(deckId, target);
    onPick(target);
    onClose();
  };
  const makeNew = (): void => {
    if (sought.trim() === '') return;
    onNew(sought.trim());
    onClose();
  };
  const address = /[.:@]/.test(sought) ? readAddress(sought) : null;
  return (
    <div className="flex h-[min(560px,66vh)] flex-col gap-3">
      <div className="flex gap-2">
        <input
          autoFocus
          type="search"
          aria-label="Find a slide, or name a new one"
          placeholder="Find a slide, name a new one, or type an address"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || sought.trim() === '') return;
            event.preventDefault();
            // The first thing that was found; what is found nowhere is made.
            const first = found.current?.querySelector<HTMLButtonElement>('button');
            if (address?.ok) pick({ kind: 'web', address: address.address });
            else if (place === 'slides' && first) first.click();
            else makeNew();
          }}
          className="h-10 flex-1 rounded-[6px] border border-line bg-sheet px-3"
        />
        <Button className="min-h-10" disabled={sought.trim() === ''} onClick={makeNew}>
          New slide
        </Button>
      </div>
      {address?.ok && (
        <Row onClick={() => pick({ kind: 'web', address: address.address })}>
          <TargetName target={{ kind: 'web', address: address.address }} />
        </Row>
      )}
      <div className="overflow-x-auto">
        <Segments label="Where to" value={place} options={[...PLACES]} onChange={setPlace} />
      </div>
      <div ref={found} className="-mx-1 min-h-0 flex-1 overflow-y-auto px-1">
        {place === 'slides' && <Slides sought={sought} current={current} onPick={pick} />}
        {place === 'map' && (
          <MapPicture
            sought={sought}
            current={current?.kind === 'slide' ? current.slideId : undefined}
            onPick={(slideId) => pick(toSlide(slideId))}
          />
        )}
        {place === 'steps' && <Steps current={current} onPick={pick} />}
        {place === 'decks' && <OtherDecks sought={sought} onPick={pick} />}
        {place === 'web' && <Address current={current} onPick={pick} />}
        {place === 'file' && <FilePick onPick={pick} />}
      </div>
    </div>
  );
}

function Row(props: {
  isCurrent?: boolean;
  onClick: () => void;
  children: ReactNode;
}): ReactElement {
  return (
    <button
      type="button"
      aria-current={props.isCurrent || undefined}
      onClick={props.onClick}
      className="flex min-h-10 w-full items-center justify-between gap-3 rounded-[6px] border border-line bg-sheet px-3 text-left hover:border-petrol aria-[current]:border-petrol aria-[current]:bg-petrol-mist"
    >
      {props.children}
    </button>
  );
}

interface PlaceProps {
  sought?: string;
  current?: Target;
  onPick: (target: Target) => void;
}

function Slides({ sought = '', current, onPick }: PlaceProps): ReactElement {
  const { deckId, deck, graph } = useDeck();
  const [spotsOf, setSpotsOf] = useState<SlideId | null>(null);
  const found = useMemo(() => findSlides(deck, graph, sought), [deck, graph, sought]);
  const recent = useMemo(
    () =>
      recentTargets(deckId).filter(
        (target) => target.kind !== 'slide' || deck.slides[target.slideId] !== undefined,
      ),
    [deckId, deck],
  );
  const isCurrent = (slideId: SlideId): boolean =>
    current?.kind === 'slide' && current.slideId === slideId;
  return (
    <>
      {recent.length > 0 && sought.trim() === '' && (
        <section aria-label="Led to lately" className="mb-3 flex flex-wrap items-center gap-2">
          <h3 className="text-[13px] text-soft">Lately</h3>
          {recent.map((target, index) => (
            <button
              key={index}
              type="button"
              aria-current={(current && isSameTarget(current, target)) || undefined}
              onClick={() => onPick(target)}
              className="min-h-8 max-w-[220px] rounded-full border border-[#eccdc0] bg-sheet px-3 text-[13px] text-ember-deep hover:border-ember"
            >
              <TargetName target={target} />
            </button>
          ))}
        </section>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,150px)] gap-3">
        {found.map(({ slideId, words }) => {
          const slide = deck.slides[slideId]!;
          const spots = slide.elements.filter(({ layer }) => layer !== 'background');
          return (
            <li key={slideId}>
              <button
                type="button"
                aria-label={titleOf(slide)}
                aria-current={isCurrent(slideId) || undefined}
                className="block text-left"
                onClick={() => onPick(toSlide(slideId))}
              >
                <SlideCard
                  slide={slide}
                  theme={deck.theme}
                  links={graph.waysOut.get(slideId) ?? []}
                  isSelected={isCurrent(slideId)}
                  isStart={slideId === deck.startSlideId}
                />
              </button>
              {words !== titleOf(slide) && (
                <p className="mt-0.5 truncate text-[12px] text-soft">“{words.trim()}”</p>
              )}
              {spots.length > 0 && (
                <button
                  type="button"
                  aria-expanded={spotsOf === slideId}
                  onClick={() => setSpotsOf(spotsOf === slideId ? null : slideId)}
                  className="min-h-7 text-[12.5px] text-petrol underline"
                >
                  A spot on it …
                </button>
              )}
              {spotsOf === slideId && (
                <ul aria-label={`Spots on ${titleOf(slide)}`} className="flex flex-col">
                  {spots.map((element) => (
                    <li key={element.id}>
                      <button
                        type="button"
                        className="min-h-7 w-full truncate rounded-[4px] px-1 text-left text-[12.5px] hover:bg-sand"
                        onClick={() => onPick({ kind: 'slide', slideId, spotId: element.id })}
                      >
                        {labelOf(element)}
                      </button>
                    </li>
                  ))}
                </ul>
              )}
            </li>
          );
        })}
      </ul>
      {found.length === 0 && (
        <p className="text-soft">No slide has that in its name or text. “New slide” makes one.</p>
      )}
    </>
  );
}

const STEP_REASONS: Record<(typeof STEPS)[number], string> = {
  next: 'One on, along the trail that is walked',
  previous: 'One back, along the trail that is walked',
  first: 'Where the trail begins',
  last: 'Where the trail ends',
  back: 'To the slide the student came from',
  restart: 'To the start of the deck',
};

function Steps({ current, onPick }: PlaceProps): ReactElement {
  const { deck } = useDeck();
  const hasTrail = deck.trails.length > 0;
  return (
    <ul className="flex flex-col gap-2">
      {STEPS.map((step) => {
        const needsTrail = step === 'next' || step === 'previous' || step === 'last';
        return (
          <li key={step}>
            <Row
              isCurrent={current?.kind === 'step' && current.step === step}
              onClick={() => onPick(toStep(step))}
            >
              <span className="font-semibold first-letter:uppercase">{stepWords(step)}</span>
              <span className="text-[13px] text-soft">
                {needsTrail && !hasTrail
                  ? 'This deck has no trail yet: make one on the Map'
                  : STEP_REASONS[step]}
              </span>
            </Row>
          </li>
        );
      })}
    </ul>
  );
}

function OtherDecks({ sought = '', onPick }: PlaceProps): ReactElement {
  const { deckId } = useDeck();
  const decks = useDecks('decks');
  const [opened, setOpened] = useState<{ id: string; title: string } | null>(null);
  const slides = useQuery({
    queryKey: ['deck-slides', opened?.id],
    queryFn: () => http.get<{ id: SlideId; title: string }[]>(`decks/${opened!.id}/slides`),
    enabled: opened !== null,
  });
  const wanted = sought.trim().toLowerCase();
  if (opened) {
    return (
      <div className="flex flex-col gap-2">
        <p className="flex items-center gap-3">
          <Button size="small" onClick={() => setOpened(null)}>
            All decks
          </Button>
          <b>{opened.title}</b>
        </p>
        <Row
          onClick={() =>
            onPick({ kind: 'deck', deckId: opened.id, slideId: null, title: opened.title })
          }
        >
          Where it starts
        </Row>
        {slides.isPending && <p className="text-soft">Opening …</p>}
        {slides.isError && <p className="text-ember-deep">{sentenceOf(slides.error)}</p>}
        {slides.data
          ?.filter(({ title }) => title.toLowerCase().includes(wanted))
          .map(({ id, title }) => (
            <Row
              key={id}
              onClick={() =>
                onPick({
                  kind: 'deck',
                  deckId: opened.id,
                  slideId: id,
                  title: `${opened.title}: ${titleOf({ title })}`,
                })
              }
            >
              {titleOf({ title })}
            </Row>
          ))}
      </div>
    );
  }
  const others = (decks.data ?? []).filter(
    ({ id, title }) => id !== deckId && title.toLowerCase().includes(wanted),
  );
  return (
    <div className="flex flex-col gap-2">
      <p className="text-[13px] text-soft">
        In a show this opens the other deck. Students stay in theirs: they do not get this link.
      </p>
      {others.map(({ id, title }) => (
        <Row key={id} onClick={() => setOpened({ id, title })}>
          {title}
        </Row>
      ))}
      {decks.isSuccess && others.length === 0 && <p className="text-soft">No other deck.</p>}
    </div>
  );
}

function Address({ current, onPick }: PlaceProps): ReactElement {
  const [typed, setTyped] = useState(current?.kind === 'web' ? current.address : '');
  const read = readAddress(typed);
  return (
    <form
      className="flex max-w-[560px] flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (read.ok) onPick({ kind: 'web', address: read.address });
      }}
    >
      <label className="flex flex-col gap-1 font-semibold">
        Web or e-mail address
        <input
          value={typed}
          inputMode="url"
          autoComplete="off"
          placeholder="https://… or name@place.example"
          onChange={(event) => setTyped(event.target.value)}
          className="h-10 rounded-[6px] border border-line bg-sheet px-3 font-normal"
        />
      </label>
      {typed.trim() !== '' && !read.ok && (
        <p role="alert" className="text-[14px] text-ember-deep">
          {told(read)}
        </p>
      )}
      <span>
        <Button type="submit" look="main" disabled={!read.ok}>
          Lead there
        </Button>
      </span>
    </form>
  );
}

function FilePick({ onPick }: PlaceProps): ReactElement {
  const input = useRef<HTMLInputElement>(null);
  const [isBusy, setIsBusy] = useState(false);
  const { trouble } = useNotices();
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setIsBusy(true);
    try {
      onPick({ kind: 'file', file: await uploadFile(file) });
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <div className="flex flex-col items-start gap-2">
      <p className="text-soft">
        The file is kept with the deck, 10 MB at the most. Who follows the link gets it to keep.
      </p>
      <Button disabled={isBusy} onClick={() => input.current?.click()}>
        {isBusy ? 'Sending …' : 'Choose a file'}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label="File to link"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
